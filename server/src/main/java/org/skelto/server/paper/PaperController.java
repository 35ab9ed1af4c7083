package org.skelto.server.paper;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.skelto.core.house.Outage;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.ground.Grounds;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Stages on paper. */
@RestController
@RequestMapping("/api/plans/{id}/sheets")
class PaperController {
    private final Printer printer;
    private final Grounds grounds;

    PaperController(Printer printer, Grounds grounds) {
        this.printer = printer;
        this.grounds = grounds;
    }

    /**
     * A stage as a sheet of paper, with what is supposed gone on that of Outages.
     *
     * @param sheet a stage as the address of the page names it, or {@code snags}
     * @param paper {@code A4} or {@code letter}
     * @param radio whose map goes with the links; the one that most units have where it is left out
     */
    @GetMapping(path = "/{sheet}", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> sheet(
            OpenPlan open,
            Outage outage,
            @PathVariable String sheet,
            @RequestParam(defaultValue = "A4") String paper,
            @RequestParam(defaultValue = "false") boolean landscape,
            @RequestParam(required = false) Medium radio) {
        StageSheets.Kind kind = one(StageSheets.Kind.class, sheet, "/sheet");
        PaperSize size = one(PaperSize.class, paper, "/paper");
        byte[] pdf = printer.pdf(
                new StageSheets(
                                open.figures(),
                                outage,
                                () -> grounds.relief(open.id(), open.figures().site()),
                                Optional.ofNullable(radio).filter(Medium::radio),
                                size,
                                landscape)
                        .of(kind),
                new Printer.Head(open.plan().name(), open.state().revision(), LocalDate.now()),
                size,
                landscape);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename(Slugs.slug(open.plan().name(), "plan") + "-" + sheet + ".pdf")
                                .build()
                                .toString())
                .body(pdf);
    }

    private static <E extends Enum<E>> E one(Class<E> type, String asked, String field) {
        return Arrays.stream(type.getEnumConstants())
                .filter(e -> e.name().equals(asked.toUpperCase(Locale.ROOT).replace('-', '_')))
                .findFirst()
                .orElseThrow(() -> Refusal.invalid(
                        "There is no such sheet.",
                        List.of(new Problem(
                                field,
                                "is none of "
                                        + Arrays.stream(type.getEnumConstants())
                                                .map(e -> e.name()
                                                        .toLowerCase(Locale.ROOT)
                                                        .replace('_', '-'))
                                                .collect(Collectors.joining(", "))))));
    }
}
