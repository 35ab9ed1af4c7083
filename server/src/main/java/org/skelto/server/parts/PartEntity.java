package org.skelto.server.parts;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.skelto.server.people.Person;

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

    String author;

    protected PartEntity() {}

    PartEntity(Person who, String id, String document, Instant updatedAt) {
        this.author = who.id();
        this.id = id;
        this.document = document;
        this.updatedAt = updatedAt;
    }
}
