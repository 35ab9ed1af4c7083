package org.skelto.server.parts;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A part of one's own, or a built-in one that was changed. */
@Entity
@Table(name = "part")
class PartEntity {
    @Id
    String id;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    String document;

    Instant updatedAt;

    protected PartEntity() {}

    PartEntity(String id, String document, Instant updatedAt) {
        this.id = id;
        this.document = document;
        this.updatedAt = updatedAt;
    }
}
