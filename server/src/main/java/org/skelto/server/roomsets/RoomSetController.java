package org.skelto.server.roomsets;

import java.util.UUID;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Templates of rooms over HTTP. */
@RestController
class RoomSetController {
    private final RoomSets sets;

    RoomSetController(RoomSets sets) {
        this.sets = sets;
    }

    /** A room whose set is kept, and what the template is called. */
    public record Kept(String room, String name) {}

    @GetMapping("/api/plans/{id}/room-sets")
    RoomSets.Templates all(OpenPlan open) {
        return sets.all(open.plan());
    }

    /** Keeps what stands in a room of the plan as a template for this and other plans. */
    @PostMapping("/api/plans/{id}/room-sets")
    @ResponseStatus(HttpStatus.CREATED)
    RoomSets.RoomTemplate keep(OpenPlan open, @RequestBody Kept asked) {
        return sets.keep(open.who(), open.plan(), asked.room(), asked.name());
    }

    @DeleteMapping("/api/room-sets/{set}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID set) {
        sets.remove(set);
    }
}
