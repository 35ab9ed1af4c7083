package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.NAMES;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.naming.Contracts;
import org.skelto.core.naming.Traffic;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.quantity.Text;
import org.skelto.core.rules.RuleMessages;
import org.skelto.core.snags.Check.Code;

/** H2, H6, T13, T14: accounts of services outside, and names that were entered elsewhere. */
final class AccountChecks {
    static final Check CHECK = Check.reading(
            "snags of accounts",
            List.of(
                    Code.of("H2", NAMES, "messages or boards over what the account carries", FIX),
                    Code.of("H6", NAMES, "private data leaves the house through a service", LOOK),
                    Code.of("T13", NAMES, "names on one account not unique", FIX),
                    Code.of("T14", NAMES, "named otherwise in hub, bridge or service", LOOK)),
            List.of(
                    PlanPart.LINKS,
                    PlanPart.NETWORK,
                    PlanPart.SERVICES,
                    PlanPart.UNIT_NAMES,
                    PlanPart.UNIT_ROLES,
                    PlanPart.UNIT_POWER,
                    PlanPart.UNIT_RADIOS,
                    PlanPart.UNIT_NUMBERS,
                    PlanPart.DEVICE_NAMES,
                    PlanPart.DEVICE_ROLES,
                    PlanPart.DEVICE_WAYS,
                    PlanPart.DEVICE_TOPICS,
                    PlanPart.DEVICE_PLACES,
                    PlanPart.SITE,
                    PlanPart.RULES),
            List.of(),
            AccountChecks::run);

    private static final int TALKATIVE = 3;

    private AccountChecks() {}

    static void run(CheckContext c) {
        boolean limited =
                c.plan.services().values().stream().anyMatch(s -> s.messagesPerMonth() != null || s.boards() != null);
        if (limited) {
            quotas(c);
        }
        names(c);
        c.plan.devices().forEach((id, d) -> d.enteredAs().forEach((place, there) -> entered(c, id, d, place, there)));
    }

    private static void quotas(CheckContext c) {
        Traffic traffic =
                Traffic.of(c.plan, Contracts.of(c.plan), RuleMessages.of(c.plan).told());
        traffic.accounts().forEach(use -> {
            boolean messages = use.messageShare() != null && use.messageShare() > 1;
            boolean boards = use.boardShare() != null && use.boardShare() > 1;
            if (messages) {
                List<String> most = traffic.devices().stream()
                        .filter(d -> AccessChecks.outside(c.plan.devices().get(d.device())))
                        .limit(TALKATIVE)
                        .map(d -> d.name() + " " + Text.number(d.messages(), 0))
                        .toList();
                c.snag("H2", FIX, NAMES, "More messages than " + use.name() + " carries in a month")
                        .figures(Text.number(use.messages(), 0) + " expected, "
                                + c.plan.services().get(use.service()).messagesPerMonth() + " carried"
                                + (most.isEmpty() ? "" : "; most from " + String.join(", ", most)))
                        .leadsTo("Before the month is over it says nothing any more.")
                        .at(Pointers.of("services", use.service()))
                        .add();
            }
            if (boards) {
                c.snag("H2", FIX, NAMES, "More boards than the account at " + use.name() + " holds")
                        .figures(use.boards() + " boards, "
                                + c.plan.services().get(use.service()).boards() + " held")
                        .leadsTo("The last ones cannot be added.")
                        .at(Pointers.of("services", use.service()), "/services")
                        .add();
            }
        });
    }

    private static void entered(CheckContext c, String id, Device d, String place, String there) {
        boolean same =
                d.name().equalsIgnoreCase(there) || d.alsoCalled().stream().anyMatch(there::equalsIgnoreCase);
        if (same) {
            return;
        }
        TreeSet<String> names = new TreeSet<>(d.alsoCalled());
        names.add(there);
        c.snag("T14", LOOK, NAMES, d.name() + " is called \"" + there + "\" elsewhere")
                .figures("in " + place)
                .leadsTo("It is called by the one name and looked for by the other.")
                .at(CheckContext.device(id), Pointers.of("devices", id, "enteredAs", place))
                .fix("It was renamed there", Edit.replace(Pointers.of("devices", id, "enteredAs", place), d.name()))
                .fix("Call it so here too", Edit.replace(CheckContext.device(id, "/alsoCalled"), names))
                .add();
    }

    private static void names(CheckContext c) {
        Map<String, List<Map.Entry<String, Device>>> called = new TreeMap<>();
        AccessChecks.devices(c, AccessChecks::outside)
                .forEach(e -> called.computeIfAbsent(
                                e.getValue().name().strip().toLowerCase(Locale.ROOT), k -> new ArrayList<>())
                        .add(e));
        called.values().stream().filter(same -> same.size() > 1).forEach(same -> {
            List<Edit> edits = new ArrayList<>();
            for (int i = 1; i < same.size(); i++) {
                edits.add(Edit.replace(
                        CheckContext.device(same.get(i).getKey(), "/name"),
                        free(c, same.get(i).getValue().name(), i)));
            }
            c.snag("T13", FIX, NAMES, same.size() + " devices have one name on the account of the outside service")
                    .figures("\"" + same.get(0).getValue().name() + "\"")
                    .leadsTo("The account lists one of them, or the wrong one.")
                    .at(same.stream().map(e -> CheckContext.device(e.getKey())).toArray(String[]::new))
                    .fix("Number the others", edits.toArray(Edit[]::new))
                    .add();
        });
        AccessChecks.devices(c, d -> AccessChecks.outside(d) && d.kind().personal())
                .forEach(e -> c.snag("H6", LOOK, NAMES, "What " + e.getValue().name() + " tells leaves the house")
                        .figures("over the account of an outside service")
                        .leadsTo("A stranger's computer knows who comes and goes, for as long as it likes.")
                        .at(CheckContext.device(e.getKey()))
                        .add());
    }

    private static String free(CheckContext c, String name, int nth) {
        int number = nth + 1;
        while (taken(c, name + " " + number)) {
            number++;
        }
        return name + " " + number;
    }

    private static boolean taken(CheckContext c, String name) {
        return c.plan.devices().values().stream().anyMatch(d -> d.name().equalsIgnoreCase(name));
    }
}
