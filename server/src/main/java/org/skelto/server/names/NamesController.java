package org.skelto.server.names;

import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.naming.AddressMap;
import org.skelto.core.naming.Contract;
import org.skelto.core.naming.Contracts;
import org.skelto.core.naming.Credentials;
import org.skelto.core.naming.HardwareAddress;
import org.skelto.core.naming.HostNames;
import org.skelto.core.naming.LeaseList;
import org.skelto.core.naming.NumberSheet;
import org.skelto.core.naming.Renaming;
import org.skelto.core.naming.Segments;
import org.skelto.core.naming.SpokenDrift;
import org.skelto.core.naming.SpokenNames;
import org.skelto.core.naming.Traffic;
import org.skelto.core.parts.PartFile;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Ipv4Subnet;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.rules.RuleMessages;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.skelto.server.tables.Csv;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** The naming of the house over HTTP, and the files that other programs read. */
@RestController
@RequestMapping("/api/plans/{id}/names")
class NamesController {
    private final JsonMapper mapper;

    NamesController(JsonMapper mapper) {
        this.mapper = mapper;
    }

    /** What numbering anew by the rules would change, and the edits that do it. */
    public record Renumbering(String label, List<AddressMap.Renumbered> units, List<Edit> edits) {}

    @GetMapping("/addresses")
    AddressMap addresses(OpenPlan open) {
        return AddressMap.of(open.plan());
    }

    /** Other numbers that the house gives out: node ids, bus addresses. */
    @GetMapping("/numbers")
    List<NumberSheet> numbers(OpenPlan open) {
        return NumberSheet.of(open.plan());
    }

    @GetMapping("/renumbering")
    Renumbering renumbering(OpenPlan open) {
        List<AddressMap.Renumbered> units = AddressMap.renumbered(open.plan());
        return new Renumbering(
                "number " + units.size() + " units by the rules",
                units,
                units.stream()
                        .map(u -> Edit.replace(Pointers.of("units", u.unit(), "ipv4"), u.to()))
                        .toList());
    }

    /** What another name of a thing would change all over the house; nothing is stored. */
    @GetMapping("/renaming")
    Renaming renaming(
            OpenPlan open,
            @RequestParam String thing,
            @RequestParam String name,
            @RequestParam(required = false) @Nullable String until) {
        try {
            return Renaming.of(open.plan(), thing, name, until);
        } catch (Renaming.Refused e) {
            throw Refusal.invalid(
                    "It cannot be called so. Nothing was changed.",
                    List.of(new Problem("/" + e.field(), e.getMessage())));
        }
    }

    /** The secrets of the house: where each is, what is known of it, and what changing it would cost. */
    @GetMapping("/credentials")
    List<Credentials.Secret> credentials(OpenPlan open) {
        return Credentials.of(open.plan());
    }

    /** What every device says and is told, by its id. */
    @GetMapping("/contracts")
    Map<String, Contract> contracts(OpenPlan open) {
        return Contracts.of(open.plan());
    }

    /** What controllers say of themselves and of the boards on their bus, by id. */
    @GetMapping("/contracts/units")
    Map<String, Contract> unitContracts(OpenPlan open) {
        return Contracts.ofUnits(open.plan());
    }

    /** How many messages a month each device makes, and how much of the accounts outside that takes. */
    @GetMapping("/traffic")
    Traffic traffic(OpenPlan open) {
        return Traffic.of(
                open.plan(),
                Contracts.of(open.plan()),
                RuleMessages.of(open.plan()).told());
    }

    /** The segments of the network, and what must be let through from one to another. */
    @GetMapping("/segments")
    Segments segments(OpenPlan open) {
        return Segments.of(open.plan(), Contracts.of(open.plan()));
    }

    /** A hardware address. */
    public record ChipAddress(String address) {}

    /** The hardware address of a board by the identifier of its chip. */
    @GetMapping("/hardware-address")
    ChipAddress hardwareAddress(OpenPlan open, @RequestParam String chip) {
        String address = HardwareAddress.ofChip(chip);
        if (address == null) {
            throw Refusal.invalid(
                    "This is no identifier of a chip.",
                    List.of(new Problem("/chip", "is not 6 to 32 hexadecimal digits")));
        }
        return new ChipAddress(address);
    }

    /** A list of names that were entered elsewhere held against the plan; nothing is stored. */
    @PostMapping(path = "/spoken/drift", consumes = "text/csv")
    SpokenDrift drift(OpenPlan open, @RequestParam String place, @RequestBody String table) {
        try {
            return SpokenDrift.of(open.plan(), place, table);
        } catch (SpokenDrift.Unreadable e) {
            throw Refusal.invalid("The list cannot be compared.", List.of(new Problem("/table", e.getMessage())));
        }
    }

    /** The names by which devices are spoken to, and those that are taken for one another. */
    @GetMapping("/spoken")
    SpokenNames spoken(OpenPlan open) {
        return SpokenNames.of(open.plan());
    }

    /** The list of spoken names as it is entered in hub, bridge and service. */
    @GetMapping(path = "/spoken/csv", produces = "text/csv")
    ResponseEntity<byte[]> spokenCsv(OpenPlan open) {
        String table = Csv.of(
                new String[] {"name", "area", "device", "otherName", "askedBack"},
                SpokenNames.of(open.plan()).names().stream()
                        .map(n -> new Object[] {
                            PartFile.quoted(n.name()),
                            n.room() == null ? null : PartFile.quoted(n.room()),
                            n.device(),
                            n.alias() ? "yes" : "no",
                            n.askedBack() ? "yes" : "no"
                        })
                        .toList());
        return Files.download(open.plan(), "spoken-names.csv", new MediaType("text", "csv"), bytes(table));
    }

    /** A list of what is on the network held against the plan; nothing is stored. */
    @PostMapping(path = "/leases", consumes = "text/csv")
    LeaseList leases(OpenPlan open, @RequestBody String table) {
        try {
            return LeaseList.of(open.plan(), table);
        } catch (LeaseList.Unreadable e) {
            throw Refusal.invalid("The list cannot be compared.", List.of(new Problem("/table", e.getMessage())));
        }
    }

    /** The messages as an AsyncAPI 3 document. */
    @GetMapping(path = "/asyncapi", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> asyncApi(OpenPlan open) {
        Plan plan = open.plan();
        byte[] document = mapper.writerWithDefaultPrettyPrinter()
                .writeValueAsBytes(
                        AsyncApi.of(plan, Contracts.of(plan), open.state().revision(), mapper));
        return Files.download(plan, "messages.asyncapi.json", MediaType.APPLICATION_JSON, document);
    }

    /** The address plan, a line for each unit that has a name on the network. */
    @GetMapping(path = "/addresses/csv", produces = "text/csv")
    ResponseEntity<byte[]> addressesCsv(OpenPlan open) {
        String table = Csv.of(
                new String[] {"unit", "name", "kind", "address", "hardwareAddress", "nodeId", "host"},
                named(open.plan())
                        .map(e -> new Object[] {
                            e.getKey(),
                            PartFile.quoted(e.getValue().name()),
                            Wording.words(e.getValue().kind()),
                            e.getValue().ipv4(),
                            e.getValue().mac(),
                            e.getValue().nodeId(),
                            HostNames.of(e.getKey())
                        })
                        .toList());
        return Files.download(open.plan(), "addresses.csv", new MediaType("text", "csv"), bytes(table));
    }

    /** Names and addresses as every system reads them: an address, then its names. */
    @GetMapping(path = "/hosts", produces = MediaType.TEXT_PLAIN_VALUE)
    ResponseEntity<byte[]> hosts(OpenPlan open) {
        StringBuilder out = new StringBuilder("# ")
                .append(Slugs.slug(open.plan().name(), "plan"))
                .append(", edit ")
                .append(open.state().revision())
                .append('\n');
        named(open.plan())
                .filter(e -> e.getValue().ipv4() != null)
                .forEach(e -> out.append(e.getValue().ipv4())
                        .append('\t')
                        .append(HostNames.of(e.getKey()))
                        .append('\n'));
        return Files.download(open.plan(), "hosts", MediaType.TEXT_PLAIN, bytes(out.toString()));
    }

    /** Reservations as {@code dhcp-host} lines: hardware address, host name, address, and how long it is lent. */
    @GetMapping(path = "/reservations", produces = MediaType.TEXT_PLAIN_VALUE)
    ResponseEntity<byte[]> reservations(OpenPlan open) {
        return Files.download(
                open.plan(),
                "reservations.conf",
                MediaType.TEXT_PLAIN,
                bytes(NetworkFiles.reservations(open.plan(), open.state().revision())));
    }

    /** Who may publish and subscribe to what at the broker, for each unit by its host name as user. */
    @GetMapping(path = "/access", produces = MediaType.TEXT_PLAIN_VALUE)
    ResponseEntity<byte[]> access(OpenPlan open) {
        return Files.download(
                open.plan(),
                "access.acl",
                MediaType.TEXT_PLAIN,
                bytes(NetworkFiles.access(
                        open.plan(), Contracts.of(open.plan()), open.state().revision())));
    }

    private static java.util.stream.Stream<Map.Entry<String, Unit>> named(Plan plan) {
        return plan.units().entrySet().stream()
                .filter(e -> e.getValue().ipv4() != null
                        || e.getValue().mac() != null
                        || e.getValue().nodeId() != null)
                .sorted(Comparator.comparing(e -> e.getValue().ipv4() == null
                        ? Long.MAX_VALUE
                        : Ipv4Subnet.number(e.getValue().ipv4())));
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
