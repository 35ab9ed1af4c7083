package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.NAMES;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.naming.Contract;
import org.skelto.core.naming.Contracts;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.MessageAspect;
import org.skelto.core.snags.Check.Code;

/** T4 to T9: how messages are sent, where somebody chose it otherwise than usual. */
final class MessageChecks {
    /** Of one whole message: as much as a small controller keeps for it unless its program says otherwise. */
    static final int BUFFER_BYTES = 256;

    static final Check CHECK = Check.reading(
            "snags of messages",
            List.of(
                    Code.of("T4", NAMES, "command that the broker keeps", FIX, STOP),
                    Code.of("T5", NAMES, "state that the broker does not keep", LOOK),
                    Code.of("T6", NAMES, "no last will for a connection that is lost", FIX),
                    Code.of("T7", NAMES, "delivery level too low for what it does", FIX),
                    Code.of("T8", NAMES, "message longer than a small controller holds", LOOK),
                    Code.of("T9", NAMES, "two devices obey one topic", STOP)),
            List.of(
                    PlanPart.LINKS,
                    PlanPart.NETWORK,
                    PlanPart.SITE,
                    PlanPart.UNIT_NAMES,
                    PlanPart.UNIT_ROLES,
                    PlanPart.UNIT_PLACES,
                    PlanPart.UNIT_POWER,
                    PlanPart.UNIT_RADIOS,
                    PlanPart.DEVICE_NAMES,
                    PlanPart.DEVICE_ROLES,
                    PlanPart.DEVICE_PLACES,
                    PlanPart.DEVICE_WAYS,
                    PlanPart.DEVICE_TOPICS),
            List.of(),
            MessageChecks::run);

    /** Topics so short are never too long, whatever is said under them: names and numbers of a payload are. */
    private static final int SURELY_SHORT = 100;

    private MessageChecks() {}

    static void run(CheckContext c) {
        boolean usual = c.plan.devices().values().stream()
                .allMatch(d -> d.messages().isEmpty()
                        && (d.topic() == null || d.topic().length() < SURELY_SHORT));
        if (!usual) {
            Contracts.of(c.plan).forEach((id, contract) -> {
                Device d = c.plan.devices().get(id);
                if (contract.transport() == Contract.Transport.BROKER) {
                    contract.aspects().forEach(aspect -> aspect(c, id, d, aspect));
                    tooLong(c, id, d, contract);
                }
            });
        }
        aliases(c);
    }

    private static void aspect(CheckContext c, String id, Device d, Contract.Aspect aspect) {
        boolean guards = d.guards();
        MessageAspect kind = aspect.kind();
        if (kind == MessageAspect.COMMAND && aspect.retained()) {
            boolean moves = d.kind().moves() || d.kind() == DeviceKind.LOCK;
            c.snag("T4", moves ? STOP : FIX, NAMES, "The broker keeps the command to " + d.name())
                    .figures(aspect.address() + ", retained")
                    .leadsTo("After every restart it obeys an old command again, with nobody there.")
                    .at(CheckContext.device(id))
                    .fix("Do not keep it", Edit.replace(choice(id, kind, "retained"), null))
                    .add();
        }
        if (kind == MessageAspect.STATE && !aspect.retained() && d.kind() != DeviceKind.PUSH_BUTTON) {
            c.snag("T5", LOOK, NAMES, "The broker does not keep the state of " + d.name())
                    .figures(aspect.address() + ", not retained")
                    .leadsTo("Whoever comes later does not know how it is before it changes.")
                    .at(CheckContext.device(id))
                    .fix("Keep it", Edit.replace(choice(id, kind, "retained"), null))
                    .add();
        }
        if (kind == MessageAspect.AVAILABILITY
                && !aspect.lastWill()
                && Boolean.FALSE.equals(
                        d.messages().get(kind) == null
                                ? null
                                : d.messages().get(kind).lastWill())) {
            c.snag("T6", FIX, NAMES, "Nobody hears when " + d.name() + " is lost")
                    .figures(aspect.address() + " without a last will")
                    .leadsTo("It still reads as online when its board is dead.")
                    .at(CheckContext.device(id))
                    .fix("Leave a last will", Edit.replace(choice(id, kind, "lastWill"), null))
                    .add();
        }
        boolean must = kind == MessageAspect.COMMAND
                || kind == MessageAspect.ACKNOWLEDGEMENT
                || kind == MessageAspect.STATE && guards;
        if (must && aspect.delivery() == 0) {
            c.snag(
                            "T7",
                            FIX,
                            NAMES,
                            "The " + kind.name().toLowerCase(Locale.ROOT) + " of " + d.name()
                                    + " may be lost without anyone knowing")
                    .figures(aspect.address() + ", at most once" + (guards ? "; it guards" : ""))
                    .leadsTo("One lost message, and it is not as everybody believes.")
                    .at(CheckContext.device(id))
                    .fix("Deliver it at least once", Edit.replace(choice(id, kind, "delivery"), null))
                    .add();
        }
    }

    private static String choice(String device, MessageAspect aspect, String field) {
        return Pointers.of("devices", device, "messages", aspect.name(), field);
    }

    private static void tooLong(CheckContext c, String id, Device d, Contract contract) {
        int most = contract.aspects().stream()
                .mapToInt(Contract.Aspect::bytes)
                .max()
                .orElse(0);
        if (most <= BUFFER_BYTES) {
            return;
        }
        var snag = c.snag("T8", LOOK, NAMES, "A message of " + d.name() + " may be too long for its controller")
                .figures(most + " bytes; small controllers keep " + BUFFER_BYTES + " unless told otherwise")
                .leadsTo("It is dropped without a word, on the board or on its way there.")
                .at(CheckContext.device(id));
        String ruled = NameAssigner.topicByRule(c.plan, d);
        if (d.topic() != null && ruled.length() < d.topic().length()) {
            snag.fix("Assign a topic by the rule", Edit.replace(CheckContext.device(id, "/topic"), null));
        }
        snag.add();
    }

    /** A topic that another device still answers to. */
    private static void aliases(CheckContext c) {
        Map<String, String> owners = new TreeMap<>();
        c.plan.devices().forEach((id, d) -> {
            if (d.topic() != null) {
                owners.putIfAbsent(d.topic().toLowerCase(Locale.ROOT), id);
            }
        });
        c.plan.devices()
                .forEach((id, d) -> d.aliases().keySet().forEach(alias -> {
                    String other = owners.putIfAbsent(alias.toLowerCase(Locale.ROOT), id);
                    if (other != null && !other.equals(id)) {
                        c.snag(
                                        "T9",
                                        STOP,
                                        NAMES,
                                        d.name() + " and "
                                                + c.plan.devices().get(other).name() + " obey one topic")
                                .figures(alias + ", an old topic of " + d.name())
                                .leadsTo("A command for one moves the other too.")
                                .at(CheckContext.device(id), CheckContext.device(other))
                                .fix(
                                        "Let " + d.name() + " forget its old topic",
                                        Edit.remove(Pointers.of("devices", id, "aliases", alias)))
                                .add();
                    }
                }));
    }
}
