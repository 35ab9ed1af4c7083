package org.skelto.server.ground;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;
import org.skelto.server.people.Person;

/** The stored heights of a plan: an ASCII grid, compressed as gzip. */
@Entity
@Table(name = "ground")
class GroundEntity {
    @Id
    UUID planId;

    String name;

    boolean degrees;

    @Column(name = "grid_columns")
    int columns;

    @Column(name = "grid_rows")
    int rows;

    int filled;

    byte[] content;

    String author;

    protected GroundEntity() {}

    GroundEntity(
            Person who, UUID planId, String name, boolean degrees, int columns, int rows, int filled, byte[] content) {
        this.author = who.id();
        this.planId = planId;
        this.name = name;
        this.degrees = degrees;
        this.columns = columns;
        this.rows = rows;
        this.filled = filled;
        this.content = content;
    }
}
