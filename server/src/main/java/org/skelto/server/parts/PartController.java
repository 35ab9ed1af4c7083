package org.skelto.server.parts;

import java.util.List;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartFile;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The parts that houses can be made of. */
@RestController
@RequestMapping("/api/parts")
class PartController {
    /** All parts, sorted by id. */
    @GetMapping
    List<Part> all() {
        return List.copyOf(Catalogue.builtIn().all());
    }

    /** The same as a table. */
    @GetMapping(path = "/csv", produces = "text/csv")
    ResponseEntity<String> csv() {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"parts.csv\"")
                .body(PartFile.write(Catalogue.builtIn().all()));
    }
}
