package org.skelto.server.rules;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.rules.Screen;
import org.skelto.core.plan.rules.Tile;
import org.skelto.core.rules.ControlScreen;
import org.skelto.server.paper.ScreenPaper;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The control screens of a house. */
@RestController
@RequestMapping("/api/plans/{id}/screens")
class ScreensController {
    private final ScreenPaper paper;

    ScreensController(ScreenPaper paper) {
        this.paper = paper;
    }

    /** All of them, with what each tile reaches and what is not on them. */
    @GetMapping
    List<ControlScreen> all(OpenPlan open) {
        return ControlScreen.all(open.plan(), open.figures().outages());
    }

    /**
     * The tiles that rooms ask for; nothing is stored.
     *
     * @param rooms ids; none means the whole house
     */
    @GetMapping("/made")
    List<Tile> made(OpenPlan open, @RequestParam(name = "rooms", defaultValue = "") Set<String> rooms) {
        return ControlScreen.tiles(open.plan(), new TreeSet<>(rooms));
    }

    /**
     * A control screen as a file, for whoever builds it.
     *
     * @param format always {@value ScreensController#FORMAT}
     * @param plan name of the plan
     * @param screen as it is in the plan: what is read again
     * @param tiles with what stands on them, in the same order
     */
    record ScreenFile(String format, String plan, Screen screen, List<ControlScreen.TileState> tiles) {}

    static final String FORMAT = "skelto-screen/1";

    /** One as JSON. */
    @GetMapping("/{screen}/file")
    ResponseEntity<ScreenFile> file(OpenPlan open, @PathVariable("screen") String screen) {
        ControlScreen found = one(open, screen);
        return answer(open, screen + ".json", MediaType.APPLICATION_JSON)
                .body(new ScreenFile(
                        FORMAT,
                        open.plan().name(),
                        open.plan().state().screens().get(screen),
                        found.tiles()));
    }

    /** One as a card to be printed. */
    @GetMapping(path = "/{screen}/card", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> card(OpenPlan open, @PathVariable("screen") String screen) {
        byte[] pdf = paper.pdf(one(open, screen), open.plan(), open.state().revision(), LocalDate.now());
        return answer(open, screen + ".pdf", MediaType.APPLICATION_PDF).body(pdf);
    }

    private static ResponseEntity.BodyBuilder answer(OpenPlan open, String name, MediaType type) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(Slugs.slug(open.plan().name(), "plan") + "-" + name)
                                .build()
                                .toString());
    }

    private static ControlScreen one(OpenPlan open, String screen) {
        return ControlScreen.all(open.plan(), open.figures().outages()).stream()
                .filter(s -> s.screen().equals(screen))
                .findFirst()
                .orElseThrow(() -> Refusal.of(HttpStatus.NOT_FOUND, "There is no such control screen in the plan."));
    }
}
