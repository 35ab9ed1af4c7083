package org.skelto.server.page;

import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Serves the page for every route that the page knows, with a fresh nonce for its styles. */
@io.swagger.v3.oas.annotations.Hidden
@RestController
class PageController {
    private static final String NONCE = "__NONCE__";

    private final SecureRandom random = new SecureRandom();
    private String page;

    @GetMapping({"/", "/plans", "/plans/**", "/calculators", "/calculators/*", "/guide", "/guide/*"})
    ResponseEntity<String> page() throws IOException {
        byte[] bytes = new byte[16];
        random.nextBytes(bytes);
        String nonce = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .header(
                        "Content-Security-Policy",
                        "default-src 'self'; script-src 'self'; style-src 'self' 'nonce-" + nonce
                                + "'; img-src 'self' data:; object-src 'none'; base-uri 'none'; form-action 'self';"
                                + " frame-ancestors 'none'")
                .body(template().replace(NONCE, nonce));
    }

    /** The bare file would lack what keeps the page safe. */
    @GetMapping("/index.html")
    ResponseEntity<Void> file() {
        return ResponseEntity.status(HttpStatus.FOUND).location(URI.create("/")).build();
    }

    private synchronized String template() throws IOException {
        if (page == null) {
            page = new ClassPathResource("static/index.html").getContentAsString(StandardCharsets.UTF_8);
        }
        return page;
    }
}
