package org.skelto.server.pictures;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;

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

    protected PictureEntity() {}

    PictureEntity(UUID planId, String id, Picture picture) {
        this.planId = planId;
        this.id = id;
        this.mediaType = picture.mediaType();
        this.width = picture.width();
        this.height = picture.height();
        this.content = picture.content();
    }
}
