package org.skelto.server.readings;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.skelto.core.calibration.Reading;
import org.skelto.core.calibration.ReadingBuilder;
import org.skelto.core.plan.radio.Medium;
import org.skelto.server.people.Person;

/** A stored reading. Floor and transmitter are ids of the plan's document and may be gone from it since. */
@Entity
@Table(name = "reading")
class ReadingEntity {
    @Id
    UUID id;

    UUID planId;

    String floor;

    double xM;

    double yM;

    double heightM;

    String unit;

    @Enumerated(EnumType.STRING)
    Medium medium;

    double dbm;

    Instant at;

    Instant deletedAt;

    String author;

    protected ReadingEntity() {}

    ReadingEntity(Person who, UUID planId, Reading reading) {
        this.author = who.id();
        this.id = UUID.randomUUID();
        this.planId = planId;
        this.floor = reading.floor();
        this.xM = reading.xM();
        this.yM = reading.yM();
        this.heightM = reading.heightM();
        this.unit = reading.unit();
        this.medium = reading.medium();
        this.dbm = reading.dbm();
        this.at = reading.at();
    }

    Reading reading() {
        return ReadingBuilder.builder()
                .floor(floor)
                .xM(xM)
                .yM(yM)
                .heightM(heightM)
                .unit(unit)
                .medium(medium)
                .dbm(dbm)
                .at(at)
                .build();
    }
}
