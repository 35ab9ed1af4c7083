package org.skelto.server.readings;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface ReadingRepository extends JpaRepository<ReadingEntity, UUID> {
    List<ReadingEntity> findByPlanIdAndDeletedAtIsNull(UUID planId);

    long countByPlanIdAndDeletedAtIsNull(UUID planId);

    @Modifying
    @Query("delete from ReadingEntity r where r.planId = :planId")
    void deleteByPlanId(UUID planId);

    /** Changes with every reading that comes or goes: how many there are, and how many are deleted. */
    @Query("select count(r) * 1000003 + coalesce(sum(case when r.deletedAt is null then 0 else 1 end), 0)"
            + " from ReadingEntity r where r.planId = :planId")
    long version(UUID planId);

    @Modifying
    @Query("update ReadingEntity r set r.deletedAt = :now where r.planId = :planId and r.deletedAt is null")
    int deleteAll(UUID planId, Instant now);

    /** Takes back the newest deletion. */
    @Modifying
    @Query("update ReadingEntity r set r.deletedAt = null where r.planId = :planId and r.deletedAt ="
            + " (select max(o.deletedAt) from ReadingEntity o where o.planId = :planId)")
    int restore(UUID planId);
}
