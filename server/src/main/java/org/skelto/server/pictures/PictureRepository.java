package org.skelto.server.pictures;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PictureRepository extends JpaRepository<PictureEntity, PictureEntity.Key> {
    List<PictureEntity> findByPlanIdOrderById(UUID planId);

    long countByPlanId(UUID planId);

    @Query(
            value = "select coalesce(sum(octet_length(content)), 0) from picture where plan_id = :plan",
            nativeQuery = true)
    long bytes(UUID plan);

    @Modifying(flushAutomatically = true)
    @Query(
            value = "insert into picture (plan_id, id, media_type, width, height, content, author)"
                    + " select :to, id, media_type, width, height, content, :author from picture where plan_id = :from",
            nativeQuery = true)
    void copy(UUID from, UUID to, String author);

    @Modifying
    @Query("delete from PictureEntity p where p.planId = :plan")
    void deleteByPlanId(UUID plan);
}
