package org.skelto.server.schema;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.info.License;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * Makes the OpenAPI document say what the records say: every component of a record is there, and these may be null.
 */
@Configuration
class OpenApiShape {
    private static final Map<String, Set<String>> NULLABLE = Map.ofEntries(
            Map.entry("Plan", Set.of("mainsVoltageV", "place", "wallWork", "calibration")),
            Map.entry(
                    "Works",
                    Set.of(
                            "part",
                            "supply",
                            "volts",
                            "watts",
                            "load",
                            "inrushA",
                            "travelS",
                            "drive",
                            "endSensors",
                            "control",
                            "afterPower",
                            "staggerS",
                            "winner",
                            "gestures",
                            "lock")),
            Map.entry("Lockwork", Set.of("gapMm", "offsetMm")),
            Map.entry("Draws", Set.of("leastV")),
            Map.entry("Duty", Set.of("wishYears", "coldestC", "regulation")),
            Map.entry("Pulse", Set.of("name", "kind")),
            Map.entry("Feed", Set.of("cable", "lengthM", "fuseA")),
            Map.entry("BoardSet", Set.of("bus", "line", "code")),
            Map.entry("Chain", Set.of("cable", "periodMs", "pullUpOhm")),
            Map.entry("Driver", Set.of("baseOhm")),
            Map.entry("Circuit", Set.of("breakerA", "cable")),
            Map.entry("Service", Set.of("feePerMonth")),
            Map.entry("Housing", Set.of("part", "riseK")),
            Map.entry("Money", Set.of("budget")),
            Map.entry("PowerNode", Set.of("parent", "source", "part", "gives", "run", "cell", "backupH", "backup")),
            Map.entry("SupplyOutput", Set.of("ratedA", "share", "junctionC")),
            Map.entry("CellLife", Set.of("wishYears")),
            Map.entry(
                    "ChainReport",
                    Set.of(
                            "capacitancePf",
                            "pullUpOhm",
                            "leastOhm",
                            "mostOhm",
                            "cycleMs",
                            "periodMs",
                            "capacitance",
                            "window",
                            "cycle")),
            Map.entry("ChainMember", Set.of("address", "ms")),
            Map.entry("ChainFault", Set.of("board", "address")),
            Map.entry("CableLine", Set.of("part", "existing", "lengthM", "dropV", "drop")),
            Map.entry("PartsList", Set.of("budget", "perOutput", "closesOn", "firstOrder")),
            Map.entry("BuyLine", Set.of("supplier", "secondSupplier", "price", "cost", "leadDays", "orderBy")),
            Map.entry("SpendStep", Set.of("unit")),
            Map.entry("Shape", Set.of("layer", "text")),
            Map.entry("PinMove", Set.of("before", "after", "why")),
            Map.entry("Floor", Set.of("underlay")),
            Map.entry("Calibration", Set.of("at")),
            Map.entry("Fitting", Set.of("place", "circuit")),
            Map.entry("Cable", Set.of("from", "to", "kind")),
            Map.entry("OwnedPart", Set.of("kind", "medium", "part")),
            Map.entry("WallWork", Set.of("closesOn")),
            Map.entry("Wireless", Set.of("name", "segment")),
            Map.entry("NewPlan", Set.of("mainsVoltageV", "place")),
            Map.entry(
                    "Unit",
                    Set.of(
                            "place",
                            "hub",
                            "ipv4",
                            "mac",
                            "nodeId",
                            "rating",
                            "wireless",
                            "boards",
                            "draws",
                            "duty",
                            "housing",
                            "message",
                            "solar")),
            Map.entry("RadioPath", Set.of("source", "exponent", "interceptDb", "earthFactor", "learned")),
            Map.entry(
                    "AirSettings",
                    Set.of("mastM", "networkId", "keyChanged", "knownOnly", "hopChannels", "noiseFigureDb")),
            Map.entry(
                    "Message",
                    Set.of(
                            "intervalS",
                            "tries",
                            "acknowledged",
                            "command",
                            "rateKbps",
                            "implicitHeader",
                            "preambleSymbols")),
            Map.entry("MessageField", Set.of("least", "most", "step", "bits")),
            Map.entry(
                    "FarLink",
                    Set.of(
                            "link",
                            "path",
                            "medium",
                            "apartM",
                            "marginDb",
                            "neededDb",
                            "chance",
                            "trouble",
                            "airtimeMs",
                            "deaf")),
            Map.entry("Overview", Set.of("ground")),
            Map.entry("GroundInfo", Set.of("westM", "southM", "eastM", "northM")),
            Map.entry("BandLimit", Set.of("mostBandwidthKHz", "dutyPercent", "mostOnMs", "restTimes", "restS")),
            Map.entry("MessageView", Set.of("intervalS", "leastIntervalS")),
            Map.entry("PathReport", Set.of("link", "apartM")),
            Map.entry("Drawn", Set.of("treeM")),
            Map.entry("Sender", Set.of("intervalS", "dutyPercent", "leastIntervalS", "offsetS")),
            Map.entry("Setting", Set.of("leastIntervalS", "years")),
            Map.entry("Leg", Set.of("marginDb", "chance", "trouble")),
            Map.entry("OutpostEnergy", Set.of("cell", "years", "figure", "diesIn", "deaf")),
            Map.entry("Regulated", Set.of("years", "figure")),
            Map.entry("SettingFigures", Set.of("battery")),
            Map.entry("CommandRoute", Set.of("figure")),
            Map.entry("ModelLoss", Set.of("model")),
            Map.entry("ReportCost", Set.of("years", "figure")),
            Map.entry("FieldReading", Set.of("heightM", "snrDb", "note")),
            Map.entry("FieldCompared", Set.of("predictedSnrDb")),
            Map.entry("Lesson", Set.of("beforeDb", "afterDb", "learned")),
            Map.entry("MapAsk", Set.of("other")),
            Map.entry("Attached", Set.of("address", "shifted", "driver")),
            Map.entry("Part", Set.of("supplier", "secondSupplier", "price", "leadDays", "rating")),
            Map.entry("Wired", Set.of("board")),
            Map.entry("Connection", Set.of("terminal", "best", "boot", "contact", "trouble", "code")),
            Map.entry("PinUse", Set.of("device", "held", "boot")),
            Map.entry("Place", Set.of("room", "spot")),
            Map.entry("Power", Set.of("circuit", "from", "part", "count", "feed")),
            Map.entry("Radio", Set.of("sensitivityDbm", "chirp", "family", "air")),
            Map.entry(
                    "Device",
                    Set.of("place", "unit", "channel", "circuit", "topic", "rating", "sound", "wiring", "works")),
            Map.entry("Link", Set.of("lengthM", "why")),
            Map.entry("LinkReport", Set.of("distanceM", "trouble", "marginDb", "chance", "chanceFigure")),
            Map.entry(
                    "Option",
                    Set.of("distanceM", "marginDb", "chance", "reachM", "reachFigure", "secondTo", "ruledOut")),
            Map.entry("PlanState", Set.of("undo", "redo")),
            Map.entry("Probe", Set.of("room")),
            Map.entry("Node", Set.of("bottleneckDb")),
            Map.entry("RoomSound", Set.of("wakes")),
            Map.entry("DemandReport", Set.of("unit", "unitName", "marginDb", "figure")),
            Map.entry("Shown", Set.of("predictedDbm")),
            Map.entry("Box", Set.of("near")),
            Map.entry("Ask", Set.of("building")),
            Map.entry("View", Set.of("trouble")),
            Map.entry("RoomCover", Set.of("best", "second")),
            Map.entry("Position", Set.of("floor")),
            Map.entry("NameRow", Set.of("topicByRule")),
            Map.entry("Snag", Set.of("accepted")),
            Map.entry("DeviceState", Set.of("job")),
            Map.entry("WayState", Set.of("brokenBy")));

    @Bean
    OpenApiCustomizer shape() {
        return api -> {
            api.info(new Info().title("Skelto").version("1").license(new License().name("Apache-2.0")));
            api.setServers(null);
            sort(api);
        };
    }

    @SuppressWarnings("rawtypes")
    private static void sort(OpenAPI api) {
        Map<String, Schema> schemas = new TreeMap<>(api.getComponents().getSchemas());
        schemas.forEach((name, schema) -> {
            if (schema.getProperties() != null) {
                require(name, schema);
            }
        });
        api.getComponents().setSchemas(schemas);
        api.setPaths(sortedPaths(api));
    }

    private static io.swagger.v3.oas.models.Paths sortedPaths(OpenAPI api) {
        io.swagger.v3.oas.models.Paths paths = new io.swagger.v3.oas.models.Paths();
        new TreeMap<>(api.getPaths()).forEach(paths::addPathItem);
        return paths;
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void require(String name, Schema schema) {
        Map<String, Schema> properties = schema.getProperties();
        schema.setRequired(new ArrayList<>(properties.keySet()));
        for (String property : NULLABLE.getOrDefault(name, Set.of())) {
            Schema value = properties.get(property);
            if (value == null) {
                throw new IllegalStateException(name + " has no " + property);
            }
            if (value.get$ref() != null || value.getEnum() != null) {
                Schema none = new Schema<>();
                none.setTypes(new LinkedHashSet<>(List.of("null")));
                Schema either = new Schema<>();
                either.setAnyOf(List.of(value, none));
                properties.put(property, either);
            } else {
                Set<String> types = new LinkedHashSet<>(value.getTypes());
                types.add("null");
                value.setTypes(types);
            }
        }
    }
}
