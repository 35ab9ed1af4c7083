package org.skelto.server.roomsets;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.skelto.server.people.Person;

/** A room's set that a person kept: a plan of one room. */
@Entity
@Table(name = "room_set")
class RoomSetEntity {
    @Id
    UUID id;

    String name;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    String document;

    Instant createdAt;

    String author;

    protected RoomSetEntity() {}

    RoomSetEntity(Person who, UUID id, String name, String document, Instant createdAt) {
        this.author = who.id();
        this.id = id;
        this.name = name;
        this.document = document;
        this.createdAt = createdAt;
    }
}
