package org.skelto.server.build;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.skelto.core.build.CableLine;
import org.skelto.core.build.PartsList;
import org.skelto.core.build.Sheet;
import org.skelto.core.build.SvgSheet;
import org.skelto.core.facts.Facts;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.wiring.BoardChoice.BoardSchool;
import org.skelto.core.wiring.Replacement;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What it takes to build a plan. */
@RestController
@RequestMapping("/api/plans/{id}")
class BuildController {
    private final KeptFigures kept;

    BuildController(KeptFigures kept) {
        this.kept = kept;
    }

    private static <T> ResponseEntity<T> file(String name, MediaType type, T body) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(body);
    }

    /** What has to be bought, what it costs, and how that compares with other ways. */
    @GetMapping("/parts-list")
    PartsList partsList(OpenPlan open) {
        return open.figures().partsList(LocalDate.now());
    }

    @GetMapping(path = "/parts-list/csv", produces = "text/csv")
    ResponseEntity<String> partsTable(OpenPlan open) {
        return file("parts-list.csv", MediaType.valueOf("text/csv;charset=UTF-8"), Tables.parts(partsList(open)));
    }

    /** Every cable with what its cores carry. */
    @GetMapping("/cable-schedule")
    List<CableLine> cables(OpenPlan open) {
        return open.figures().cables();
    }

    @GetMapping(path = "/cable-schedule/csv", produces = "text/csv")
    ResponseEntity<String> cableTable(OpenPlan open) {
        return file("cables.csv", MediaType.valueOf("text/csv;charset=UTF-8"), Tables.cables(cables(open)));
    }

    /** Two labels for each cable, on sheets of A4. */
    @GetMapping(path = "/cable-schedule/labels", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> labels(OpenPlan open) {
        return file(
                "cable-labels.pdf",
                MediaType.APPLICATION_PDF,
                Paper.labels(cables(open), open.plan().name()));
    }

    /** How units are wired: all whose boards are chosen, or those of one room, one box, or one unit. */
    @GetMapping("/wiring")
    List<Sheet> wiring(
            OpenPlan open,
            @RequestParam(required = false) String unit,
            @RequestParam(required = false) String room,
            @RequestParam(required = false) String housing) {
        Plan plan = open.plan();
        Facts figures = open.figures();
        Map<String, Sheet> sheets = figures.wiring();
        return sheets.entrySet().stream()
                .filter(e -> {
                    Unit of = plan.units().get(e.getKey());
                    return (unit == null || unit.equals(e.getKey()))
                            && (room == null
                                    || of.place() != null
                                            && room.equals(of.place().room()))
                            && (housing == null || housing.equals(of.housing()));
                })
                .map(Map.Entry::getValue)
                .toList();
    }

    @GetMapping(path = "/wiring/svg", produces = "image/svg+xml")
    ResponseEntity<String> wiringSvg(
            OpenPlan open,
            @RequestParam(required = false) String unit,
            @RequestParam(required = false) String room,
            @RequestParam(required = false) String housing) {
        return file(
                "wiring.svg",
                MediaType.valueOf("image/svg+xml;charset=UTF-8"),
                SvgSheet.of(some(wiring(open, unit, room, housing))));
    }

    @GetMapping(path = "/wiring/pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> wiringPdf(
            OpenPlan open,
            @RequestParam(required = false) String unit,
            @RequestParam(required = false) String room,
            @RequestParam(required = false) String housing) {
        return file("wiring.pdf", MediaType.APPLICATION_PDF, Paper.sheets(some(wiring(open, unit, room, housing))));
    }

    private static List<Sheet> some(List<Sheet> sheets) {
        if (sheets.isEmpty()) {
            throw Refusal.of(
                    HttpStatus.CONFLICT, "There is nothing to draw there: choose the boards of a controller first.");
        }
        return sheets;
    }

    /** What another main board would change; nothing is stored. */
    @GetMapping("/replacement")
    Replacement replacement(OpenPlan open, @RequestParam String unit, @RequestParam String part) {
        Plan plan = open.plan();
        Unit known = plan.units().get(unit);
        if (known == null) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such unit in the plan.");
        }
        if (known.boards() == null || !known.drives()) {
            throw Refusal.of(HttpStatus.CONFLICT, "The unit has no board yet that could be replaced.");
        }
        Part board = kept.parts()
                .find(part)
                .filter(p -> p.kind() == PartKind.BOARD || p.kind() == PartKind.PANEL)
                .orElseThrow(() -> Refusal.invalid(
                        "The board cannot be taken.", List.of(new Problem("/part", "is no board of the catalogue"))));
        return Replacement.of(plan, kept.parts(), unit, board);
    }

    /** The smallest boards for each room, and for each floor that shares one controller. */
    @GetMapping("/board-choices")
    List<BoardSchool> boards(OpenPlan open, @RequestParam(defaultValue = "0.2") double spare) {
        if (!(spare >= 0 && spare <= 1)) {
            throw Refusal.invalid(
                    "The spare share cannot be.", List.of(new Problem("/spare", "must lie between 0 and 1")));
        }
        return open.proposals().boards(spare);
    }
}
