package org.skelto.server.plans;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PlanDayRepository extends JpaRepository<PlanDayEntity, PlanDayEntity.Key> {
    @Query("select new org.skelto.server.plans.PlanDay(d.day, d.revision, d.name) from PlanDayEntity d"
            + " where d.planId = :plan order by d.day desc")
    List<PlanDay> days(UUID plan);

    @Modifying
    @Query("delete from PlanDayEntity d where d.planId = :plan and d.day <= :last")
    void deleteUntil(UUID plan, LocalDate last);

    @Modifying
    @Query("delete from PlanDayEntity d where d.planId = :plan")
    void deleteByPlanId(UUID plan);
}
