package org.skelto.server.paper;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.skelto.core.configuration.ControllerConfiguration;
import org.skelto.core.configuration.ControllerConfiguration.DeviceSettings;
import org.skelto.core.configuration.ControllerConfiguration.MessageSettings;
import org.skelto.core.configuration.ControllerConfiguration.NetworkSettings;
import org.skelto.core.configuration.ControllerConfiguration.Pull;
import org.skelto.core.configuration.ControllerConfiguration.SecretState;
import org.skelto.core.configuration.ControllerConfiguration.TerminalSettings;
import org.skelto.core.plan.Plan;
import org.springframework.stereotype.Component;

/** A controller's sheet: who it is, what hangs on which terminal, what it says and is told. */
@Component
public final class ControllerPaper {
    private final Printer printer;

    ControllerPaper(Printer printer) {
        this.printer = printer;
    }

    /** The sheet as PDF, A4 upright. */
    public byte[] pdf(ControllerConfiguration controller, Plan plan, long revision, LocalDate day) {
        return printer.pdf(sheet(controller), new Printer.Head(plan.name(), revision, day), PaperSize.A4, false);
    }

    private static PaperSheet sheet(ControllerConfiguration c) {
        List<PaperSheet.Section> sections = new ArrayList<>();
        sections.add(PaperSheet.text("Who it is", identity(c)));
        sections.add(terminals(c));
        sections.add(afterPower(c));
        if (!c.indicators().isEmpty()) {
            PaperSheet.Table table = new PaperSheet.Table("What its lamps and sounds mean", "It", "Means");
            c.indicators().forEach(table::row);
            sections.add(table.section());
        }
        sections.add(messages(c));
        sections.add(secrets(c));
        boolean mains = c.devices().stream()
                .flatMap(d -> d.terminals().stream())
                .anyMatch(t -> t.does().equals("a relay"));
        return new PaperSheet(
                "Controller: " + c.name(),
                null,
                sections,
                mains
                        ? List.of(
                                "Relays may carry mains. Switch off and check that all is dead before this box is opened;"
                                        + " fixed wiring is for a licensed electrician where the law asks.")
                        : List.of());
    }

    private static List<String> identity(ControllerConfiguration c) {
        NetworkSettings n = c.network();
        List<String> lines = new ArrayList<>();
        lines.add(c.name() + (c.where() == null ? "" : ", " + c.where()));
        c.boards().forEach((name, part) -> lines.add("Board " + name + ": " + part));
        lines.add("Host name " + c.host() + "; address " + said(n.address())
                + (n.address() == null ? "" : n.onLoan() ? ", lent by the router" : ", fixed on the unit")
                + "; hardware address " + said(n.hardwareAddress()));
        lines.add("Subnet " + n.subnet() + "; router " + said(n.router()) + "; broker " + said(n.broker())
                + "; node id " + said(n.nodeId()));
        return lines;
    }

    private static String said(Object value) {
        return value == null ? "–" : value.toString();
    }

    private static PaperSheet.Section terminals(ControllerConfiguration c) {
        PaperSheet.Table table = new PaperSheet.Table(
                "Terminals",
                "Terminal^",
                "Behind it^",
                "Device",
                "Connection",
                "It is",
                "Inverted^",
                "Pull-up",
                "At start");
        for (DeviceSettings d : c.devices()) {
            for (TerminalSettings t : d.terminals()) {
                table.row(
                        t.terminal(),
                        t.behind(),
                        d.name(),
                        t.connection(),
                        t.does(),
                        t.inverted() ? "yes" : "no",
                        pull(t.pull()),
                        t.start());
            }
        }
        return table.section();
    }

    private static String pull(Pull pull) {
        return switch (pull) {
            case NONE -> null;
            case UP -> "of the pin";
            case RESISTOR -> "a resistor beside the board";
        };
    }

    private static PaperSheet.Section afterPower(ControllerConfiguration c) {
        PaperSheet.Table table = new PaperSheet.Table(
                "When power goes and returns", "Device", "Rests", "Then", "Waits, s#", "Criticality");
        c.devices()
                .forEach(d -> table.row(
                        d.name(),
                        words(d.rest()),
                        d.afterPower() == null ? null : words(d.afterPower()),
                        d.staggerS(),
                        words(d.criticality())));
        return table.section();
    }

    private static PaperSheet.Section messages(ControllerConfiguration c) {
        PaperSheet.Table table = new PaperSheet.Table(
                "Messages", "Topic", "What", "It", "Delivery#", "Retained^", "Every, s#", "Missed after, s#");
        for (DeviceSettings d : c.devices()) {
            for (MessageSettings m : d.messages()) {
                table.row(
                        m.topic(),
                        words(m.kind()),
                        m.sent() ? "says" : "is told",
                        m.delivery(),
                        m.retained() ? "yes" : "no",
                        m.intervalS(),
                        m.watchdogS());
            }
        }
        return table.section();
    }

    private static PaperSheet.Section secrets(ControllerConfiguration c) {
        PaperSheet.Table table =
                new PaperSheet.Table("Secrets that it is told; what they are is kept elsewhere", "Secret", "It is");
        c.secrets()
                .forEach(s ->
                        table.row(s.name(), s.state() == SecretState.FACTORY ? "the factory's" : words(s.state())));
        return table.section();
    }

    private static String words(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
