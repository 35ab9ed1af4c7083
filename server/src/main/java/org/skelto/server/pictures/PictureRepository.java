package org.skelto.server.pictures;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface PictureRepository extends JpaRepository<PictureEntity, PictureEntity.Key> {
    List<PictureEntity> findByPlanIdOrderById(UUID planId);

    long countByPlanId(UUID planId);
}
