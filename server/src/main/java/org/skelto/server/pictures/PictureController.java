package org.skelto.server.pictures;

import java.util.concurrent.CompletableFuture;
import org.skelto.server.load.Aside;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.Changes;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Pictures over HTTP. */
@RestController
@RequestMapping("/api/plans/{id}/pictures")
class PictureController {
    private final Pictures pictures;
    private final Aside aside;

    PictureController(Pictures pictures, Aside aside) {
        this.aside = aside;
        this.pictures = pictures;
    }

    /** Takes in a PNG, JPEG, SVG or a page of a PDF, sent as it is. */
    @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    CompletableFuture<Pictures.Stored> add(
            @Changes OpenPlan open,
            @RequestParam(defaultValue = "1") int page,
            @RequestBody(required = false) byte[] file) {
        if (file == null || file.length == 0) {
            throw Refusal.of(HttpStatus.BAD_REQUEST, "The file is empty.");
        }
        return aside.run(open.who().id() + " " + open.id(), () -> pictures.add(open.who(), open.id(), file, page));
    }

    /** The picture itself; should it ever be opened by itself, nothing in it may run or fetch. */
    @GetMapping("/{picture}")
    ResponseEntity<byte[]> get(OpenPlan open, @PathVariable String picture) {
        Picture found = pictures.get(open.id(), picture);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(found.mediaType()))
                .header("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'; sandbox")
                .body(found.content());
    }
}
