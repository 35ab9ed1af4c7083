package org.skelto.server.parts;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartFile;
import org.skelto.server.people.Person;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The parts that houses can be made of. */
@RestController
@RequestMapping("/api/parts")
class PartController {
    private final Parts parts;

    PartController(Parts parts) {
        this.parts = parts;
    }

    /** A part, and whether it is the person's own. */
    public record Listed(Part part, boolean own) {}

    /** How many parts were taken in. */
    public record Taken(int parts) {}

    /** All parts, sorted by id. */
    @GetMapping
    List<Listed> all() {
        Set<String> own = parts.own().stream().map(Part::id).collect(Collectors.toSet());
        return parts.catalogue().all().stream()
                .map(p -> new Listed(p, own.contains(p.id())))
                .toList();
    }

    /** All parts as a table, or one's own only. */
    @GetMapping(path = "/csv", produces = "text/csv")
    ResponseEntity<String> csv(@RequestParam(defaultValue = "false") boolean own) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"parts.csv\"")
                .body(PartFile.write(own ? parts.own() : parts.catalogue().all()));
    }

    /** Takes in a table of parts as one's own. */
    @PostMapping(path = "/csv", consumes = "text/csv")
    @ResponseStatus(HttpStatus.CREATED)
    Taken add(Person who, @RequestBody String table) {
        return new Taken(parts.add(who, table));
    }

    /** Takes in prices of parts of the catalogue, such as a parts list with its prices filled in. */
    @PostMapping(path = "/prices", consumes = "text/csv")
    @ResponseStatus(HttpStatus.CREATED)
    Taken price(Person who, @RequestBody String table) {
        return new Taken(parts.price(who, table));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String id) {
        parts.remove(id);
    }
}
