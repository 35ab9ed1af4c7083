package org.skelto.server.longrange;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface FieldReadingRepository extends JpaRepository<FieldReadingEntity, UUID> {
    List<FieldReadingEntity> findByPlanId(UUID planId);

    List<FieldReadingEntity> findByPlanIdAndPath(UUID planId, String path);

    long countByPlanId(UUID planId);
}
