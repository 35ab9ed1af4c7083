package org.skelto.server.pictures;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;
import org.skelto.server.people.Person;

/** A stored picture of a plan; its id is the SHA-256 of its content. */
@Entity
@Table(name = "picture")
@IdClass(PictureEntity.Key.class)
class PictureEntity {
    /** Plan and picture. */
    record Key(UUID planId, String id) implements Serializable {}

    @Id
    UUID planId;

    @Id
    String id;

    String mediaType;

    int width;

    int height;

    byte[] content;

    String author;

    protected PictureEntity() {}

    PictureEntity(Person who, UUID planId, String id, Picture picture) {
        this.author = who.id();
        this.planId = planId;
        this.id = id;
        this.mediaType = picture.mediaType();
        this.width = picture.width();
        this.height = picture.height();
        this.content = picture.content();
    }
}
