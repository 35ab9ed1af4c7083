package org.skelto.server.ground;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface GroundRepository extends JpaRepository<GroundEntity, UUID> {}
