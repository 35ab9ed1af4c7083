package org.skelto.server.longrange;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface FieldReadingRepository extends JpaRepository<FieldReadingEntity, UUID> {
    List<FieldReadingEntity> findByPlanId(UUID planId);

    List<FieldReadingEntity> findByPlanIdAndPath(UUID planId, String path);

    long countByPlanId(UUID planId);

    @Modifying
    @Query("delete from FieldReadingEntity r where r.planId = :planId")
    void deleteByPlanId(UUID planId);
}
