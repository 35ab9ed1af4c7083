package org.skelto.server.ground;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface GroundRepository extends JpaRepository<GroundEntity, UUID> {
    @Query(value = "select octet_length(content) from ground where plan_id = :plan", nativeQuery = true)
    Optional<Long> bytes(UUID plan);

    @Modifying
    @Query("delete from GroundEntity g where g.planId = :plan")
    void deleteByPlanId(UUID plan);
}
