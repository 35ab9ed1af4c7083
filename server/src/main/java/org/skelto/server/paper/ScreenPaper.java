package org.skelto.server.paper;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Tile;
import org.skelto.core.rules.ControlScreen;
import org.springframework.stereotype.Component;

/** A control screen as a card that hangs beside the tablet or lies in a drawer: what stands on it, room by room. */
@Component
public final class ScreenPaper {
    private final Printer printer;

    ScreenPaper(Printer printer) {
        this.printer = printer;
    }

    /** The card as PDF, A4 upright. */
    public byte[] pdf(ControlScreen screen, Plan plan, long revision, LocalDate day) {
        Map<String, PaperSheet.Table> rooms = new LinkedHashMap<>();
        screen.tiles()
                .forEach(t -> rooms.computeIfAbsent(
                                t.group(), g -> new PaperSheet.Table(g, "Tile", "It is", "Asks first^", "Works"))
                        .row(
                                t.label(),
                                kind(t.tile().kind()),
                                t.tile().confirm() ? "yes" : "no",
                                t.broken() == null ? "yes" : "no: " + t.broken()));
        List<PaperSheet.Section> sections = new ArrayList<>();
        sections.add(PaperSheet.text("Where", List.of("On " + screen.on())));
        rooms.values().forEach(t -> sections.add(t.section()));
        return printer.pdf(
                new PaperSheet(
                        "Control screen: " + screen.name(),
                        null,
                        sections,
                        List.of("A way out must open by hand from inside, whatever a screen shows.")),
                new Printer.Head(plan.name(), revision, day),
                PaperSize.A4,
                false);
    }

    private static String kind(Tile.Kind kind) {
        return switch (kind) {
            case DEVICE -> "a device";
            case RULE -> "a rule";
            case MODE -> "a mode";
        };
    }
}
