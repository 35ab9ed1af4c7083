package org.skelto.server.parts;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PartRepository extends JpaRepository<PartEntity, String> {
    List<PartEntity> findAllByOrderById();

    @Query("select new org.skelto.server.parts.Age(count(p), max(p.updatedAt)) from PartEntity p")
    Age age();
}
