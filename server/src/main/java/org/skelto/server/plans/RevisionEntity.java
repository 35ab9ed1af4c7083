package org.skelto.server.plans;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** One acknowledged edit, with the patch that makes it and the patch that takes it back. */
@Entity
@Table(name = "plan_revision")
class RevisionEntity {
    enum Kind {
        EDIT,
        UNDO,
        REDO
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    UUID planId;

    long number;

    String author;

    Instant at;

    @Enumerated(EnumType.STRING)
    Kind kind;

    String label;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    String forward;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    String inverse;

    Long undoBelow;

    Long redoBelow;
}
