package org.skelto.server.parts;

import java.time.Instant;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PartRepository extends JpaRepository<PartEntity, String> {
    List<PartEntity> findAllByOrderById();

    @Query("select max(p.updatedAt) from PartEntity p")
    Instant newest();
}
