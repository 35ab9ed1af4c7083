package org.skelto.server.roomsets;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RoomSetRepository extends JpaRepository<RoomSetEntity, UUID> {
    List<RoomSetEntity> findAllByOrderByNameAscCreatedAtAsc();
}
