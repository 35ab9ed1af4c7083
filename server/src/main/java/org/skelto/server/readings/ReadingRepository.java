package org.skelto.server.readings;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface ReadingRepository extends JpaRepository<ReadingEntity, UUID> {
    List<ReadingEntity> findByPlanIdAndDeletedAtIsNullOrderByAtAscIdAsc(UUID planId);

    long countByPlanIdAndDeletedAtIsNull(UUID planId);

    @Modifying
    @Query("update ReadingEntity r set r.deletedAt = :now where r.planId = :planId and r.deletedAt is null")
    int deleteAll(UUID planId, Instant now);

    /** Takes back the newest deletion. */
    @Modifying
    @Query("update ReadingEntity r set r.deletedAt = null where r.planId = :planId and r.deletedAt ="
            + " (select max(o.deletedAt) from ReadingEntity o where o.planId = :planId)")
    int restore(UUID planId);
}
