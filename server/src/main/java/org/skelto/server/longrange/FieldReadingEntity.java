package org.skelto.server.longrange;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.UUID;
import org.skelto.core.longrange.FieldTest.FieldReading;
import org.skelto.core.longrange.FieldTestFieldReadingBuilder;
import org.skelto.server.people.Person;

/** A stored reading of a field test; path and sender are ids of the plan's document and may be gone from it since. */
@Entity
@Table(name = "field_reading")
class FieldReadingEntity {
    @Id
    UUID id;

    UUID planId;

    String path;

    String sender;

    double distanceM;

    Double heightM;

    double dbm;

    Double snrDb;

    Instant at;

    String note;

    String author;

    protected FieldReadingEntity() {}

    FieldReadingEntity(Person who, UUID planId, FieldReading r) {
        this.author = who.id();
        this.id = UUID.randomUUID();
        this.planId = planId;
        this.path = r.path();
        this.sender = r.sender();
        this.distanceM = r.distanceM();
        this.heightM = r.heightM();
        this.dbm = r.dbm();
        this.snrDb = r.snrDb();
        this.at = r.at().truncatedTo(ChronoUnit.MICROS);
        this.note = r.note();
    }

    FieldReading reading() {
        return FieldTestFieldReadingBuilder.builder()
                .path(path)
                .sender(sender)
                .distanceM(distanceM)
                .heightM(heightM)
                .dbm(dbm)
                .snrDb(snrDb)
                .at(at)
                .note(note)
                .build();
    }
}
