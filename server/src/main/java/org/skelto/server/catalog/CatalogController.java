package org.skelto.server.catalog;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Arrays;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.Caution;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioBand;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Construction;
import org.skelto.core.plan.site.Constructions;
import org.skelto.core.plan.site.Material;
import org.skelto.core.radio.RegionLimits;
import org.skelto.core.snags.Check;
import org.skelto.core.snags.Checks;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Constructions, kinds and generic radios. */
@RestController
class CatalogController {
    /** A kind of device as the page offers it. */
    public record KindChoice(
            DeviceKind kind, String name, DeviceKind.Family family, Criticality criticality, boolean mains) {}

    /** A kind of unit or a medium as the page offers it. */
    public record Choice(String id, String name) {}

    /** A construction of the built-in list. */
    public record ConstructionChoice(String id, Construction construction) {}

    /** All of it. */
    @RecordBuilder
    public record Catalog(
            List<ConstructionChoice> constructions,
            List<KindChoice> deviceKinds,
            List<Choice> unitKinds,
            List<Choice> media,
            List<Choice> radios,
            List<Choice> materials,
            List<Choice> bands,
            List<Choice> cautions,
            List<Choice> checks,
            String regionTableDate)
            implements CatalogControllerCatalogBuilder.With {}

    @GetMapping("/api/catalog")
    Catalog catalog() {
        return CatalogControllerCatalogBuilder.builder()
                .constructions(Constructions.all().entrySet().stream()
                        .map(e -> new ConstructionChoice(e.getKey(), e.getValue()))
                        .toList())
                .deviceKinds(Arrays.stream(DeviceKind.values())
                        .map(k -> new KindChoice(k, Wording.of(k), k.family(), k.criticality(), k.mains()))
                        .toList())
                .unitKinds(Arrays.stream(UnitKind.values())
                        .map(k -> new Choice(k.name(), Wording.of(k)))
                        .toList())
                .media(Arrays.stream(Medium.values())
                        .map(m -> new Choice(m.name(), Wording.of(m)))
                        .toList())
                .radios(Medium.radios().stream()
                        .map(m -> new Choice(m.name(), Wording.of(m)))
                        .toList())
                .materials(choices(Material.values()))
                .bands(Arrays.stream(RadioBand.values())
                        .map(b -> new Choice(b.name(), Wording.of(b)))
                        .toList())
                .checks(Checks.ALL.stream()
                        .flatMap(c -> c.codes().stream())
                        .collect(Collectors.toMap(
                                Check.Code::code, Check.Code::finds, (one, other) -> one, TreeMap::new))
                        .entrySet()
                        .stream()
                        .map(e -> new Choice(e.getKey(), e.getValue()))
                        .toList())
                .cautions(Arrays.stream(Caution.values())
                        .map(c -> new Choice(c.name(), c.text()))
                        .toList())
                .regionTableDate(RegionLimits.DATE)
                .build();
    }

    private static List<Choice> choices(Enum<?>[] values) {
        return Arrays.stream(values)
                .map(v -> new Choice(v.name(), Wording.words(v)))
                .toList();
    }

    /** The generic radio for a medium, with the region's frequencies and power. */
    @GetMapping("/api/catalog/radio")
    Radio radio(@RequestParam Medium medium, @RequestParam Region region, @RequestParam UnitKind kind) {
        if (!medium.radio()) {
            throw org.skelto.server.problems.Refusal.of(
                    org.springframework.http.HttpStatus.UNPROCESSABLE_CONTENT, medium + " is no radio.");
        }
        return RadioDefaults.radio(medium, region, kind);
    }
}
