package org.skelto.server.plans;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface RevisionRepository extends JpaRepository<RevisionEntity, Long> {
    Optional<RevisionEntity> findByPlanIdAndNumber(UUID planId, long number);

    List<RevisionEntity> findTop100ByPlanIdOrderByNumberDesc(UUID planId);

    @Modifying
    @Query("delete from RevisionEntity r where r.planId = :plan")
    void deleteByPlanId(UUID plan);
}
