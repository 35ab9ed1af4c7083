package org.skelto.server.plans;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PlanRepository extends JpaRepository<PlanEntity, UUID> {
    Optional<PlanEntity> findByIdAndDeletedAtIsNull(UUID id);

    /** The newest revision of a plan that is not deleted. */
    @Query("select p.revision from PlanEntity p where p.id = :id and p.deletedAt is null")
    Optional<Long> revision(UUID id);

    /** Waits for any other edit of the same plan to end. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from PlanEntity p where p.id = :id")
    Optional<PlanEntity> lock(UUID id);

    @Query("select new org.skelto.server.plans.PlanSummary(p.id, p.name, p.revision, p.updatedAt) from PlanEntity p"
            + " where p.deletedAt is null order by p.createdAt")
    List<PlanSummary> summaries();

    @Query("select p from PlanEntity p where p.deletedAt is not null order by p.deletedAt desc")
    List<PlanEntity> deleted();

    @Query("select p.id from PlanEntity p where p.deletedAt < :before")
    List<UUID> deletedBefore(Instant before);

    @Modifying
    @Query("delete from PlanEntity p where p.id = :id")
    void purge(UUID id);
}
