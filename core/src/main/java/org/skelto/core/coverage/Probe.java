package org.skelto.core.coverage;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.CalibratedLoss;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.Indoors;
import org.skelto.core.radio.LossModel;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * What arrives at a point, from the best two.
 *
 * @param room name of the room, or null outdoors
 */
public record Probe(@Nullable String room, List<Heard> heard) {
    /**
     * What arrives from one unit.
     *
     * @param through walls and slabs on the way, in order
     * @param chance that it is enough, 0 to 1
     */
    @RecordBuilder
    public record Heard(
            String unit,
            String name,
            double levelDbm,
            double chance,
            List<String> through,
            double distanceM,
            Figure figure)
            implements ProbeHeardBuilder.With {}

    /** What listens on one floor: made once for however many points. */
    static final class Listener {
        private final SiteModel site;
        private final String floor;
        private final LossModel model;
        private final List<Source> sources;
        private final double need;
        private final double sigma;

        /** Dark units are silent. */
        Listener(SiteModel site, SlabTables tables, Medium medium, String floor, Set<String> dark) {
            CoverageScenario reach = new CoverageScenario(site, medium);
            this.site = site;
            this.floor = floor;
            this.model = Indoors.of(site, tables);
            this.sources = reach.sources(dark);
            this.need = reach.floorDbm(sources);
            this.sigma = CalibratedLoss.sigmaDb(site.plan(), reach.frequencyMHz());
        }

        Probe at(double xM, double yM) {
            Point point = site.pointAt(floor, xM, yM, CoverageScenario.HEIGHT_M);
            Place place = site.placeAt(floor, xM, yM, CoverageScenario.HEIGHT_M);
            List<Heard> heard = new ArrayList<>();
            for (Source source : sources) {
                LossModel.Loss loss = model.loss(source.at(), source.place(), point, place, source.frequencyMHz());
                heard.add(heard(source, loss.with(source.beside(point)), need, sigma));
            }
            heard.sort(Comparator.comparingDouble((Heard h) -> -h.levelDbm));
            return new Probe(
                    place.room() == null
                            ? null
                            : site.plan().rooms().get(place.room()).name(),
                    List.copyOf(heard.subList(0, Math.min(2, heard.size()))));
        }
    }

    /** At a point of the site on a floor, a metre above it; dark units are silent. */
    public static Probe at(
            SiteModel site, SlabTables tables, Medium medium, String floor, double xM, double yM, Set<String> dark) {
        return new Listener(site, tables, medium, floor, dark).at(xM, yM);
    }

    private static Heard heard(Source source, LossModel.Loss loss, double need, double sigma) {
        ComputingBudget.step();
        double level = source.levelDbm() - loss.lossDb();
        List<String> through = loss.parts().stream()
                .skip(1)
                .map(LossModel.Part::what)
                .filter(w -> !w.equals("clutter"))
                .toList();
        List<String> inputs = new ArrayList<>(List.of("without loss", Text.dbm(source.levelDbm())));
        for (LossModel.Part part : loss.parts()) {
            inputs.add(part.what());
            inputs.add(Text.db(part.lossDb()));
        }
        inputs.addAll(List.of("needed", Text.dbm(need), "σ", Text.db(sigma)));
        return ProbeHeardBuilder.builder()
                .unit(source.unit())
                .name(source.name())
                .levelDbm(level)
                .chance(Chance.of(level - need, sigma))
                .through(through)
                .distanceM(loss.distanceM())
                .figure(Figure.of(
                        "level without loss − each loss on the way; chance Φ((level − needed)/σ)",
                        "ITU-R P.525 and P.2040, multi-wall; slow fading only",
                        loss.extrapolated(),
                        inputs.toArray(String[]::new)))
                .build();
    }
}
