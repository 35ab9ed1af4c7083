package org.skelto.server.plans;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A plan as it was at the end of a day. */
@Entity
@Table(name = "plan_day")
@IdClass(PlanDayEntity.Key.class)
class PlanDayEntity {
    /** Plan and day. */
    record Key(UUID planId, LocalDate day) implements Serializable {}

    @Id
    UUID planId;

    @Id
    LocalDate day;

    long revision;

    String name;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    String document;

    protected PlanDayEntity() {}

    PlanDayEntity(PlanEntity plan, LocalDate day) {
        this.planId = plan.id;
        this.day = day;
        this.revision = plan.revision;
        this.name = plan.name;
        this.document = plan.document;
    }
}
