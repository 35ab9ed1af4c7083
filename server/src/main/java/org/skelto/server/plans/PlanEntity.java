package org.skelto.server.plans;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.skelto.server.people.Person;

/** A stored plan: its newest document and where undo and redo stand. */
@Entity
@Table(name = "plan")
class PlanEntity {
    @Id
    UUID id;

    String name;

    long revision;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    String document;

    Long undoTop;

    Long redoTop;

    Instant createdAt;

    Instant updatedAt;

    Instant deletedAt;

    String author;

    protected PlanEntity() {}

    PlanEntity(UUID id, Person who, String name, String document, Instant now) {
        this.id = id;
        this.author = who.id();
        this.name = name;
        this.document = document;
        this.revision = 1;
        this.createdAt = now;
        this.updatedAt = now;
    }
}
