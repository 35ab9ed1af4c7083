package org.skelto.core.radio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.skelto.core.plan.radio.Cover;
import org.skelto.core.plan.radio.GroundPoint;
import org.skelto.core.plan.radio.OutdoorModel;
import org.skelto.core.plan.radio.PathLearned;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.plan.radio.RadioPathBuilder;

class OutdoorsTest {
    private static final List<GroundPoint> LEVEL = IntStream.rangeClosed(0, 40)
            .mapToObj(i -> new GroundPoint(i * 25, 100))
            .toList();

    private static RadioPath path(OutdoorModel model, PathLearned learned, Cover... covers) {
        return RadioPathBuilder.builder()
                .from("a")
                .to("b")
                .profile(LEVEL)
                .covers(List.of(covers))
                .model(model)
                .learned(learned)
                .build();
    }

    private static Outdoors over(Cover... covers) {
        return new Outdoors(path(null, null, covers), 12, 12, 868);
    }

    @Test
    void treesTakeWhatLiesUnderTheirTopsAndNeverMoreThanTheWayOverThem() {
        assertEquals(0, over(new Cover(Cover.Kind.TREES, 400, 500, 8)).treesDb());
        Outdoors wood = over(new Cover(Cover.Kind.TREES, 400, 500, 20));
        assertEquals(100, wood.treesM(), 1.5);
        assertTrue(wood.treesDb() > 5 && wood.treesDb() <= Vegetation.lossDb(868, wood.treesM()));
        Outdoors forest = over(new Cover(Cover.Kind.TREES, 20, 980, 13));
        assertTrue(forest.treesDb() < Vegetation.lossDb(868, forest.treesM()) - 10, "it goes over " + forest.treesDb());
    }

    @Test
    void aBuildingIsInTheWayAndWaterIsNot() {
        Outdoors open = over();
        Outdoors blocked = over(new Cover(Cover.Kind.BUILDING, 480, 500, 25));
        assertTrue(blocked.clearance().clearanceM() < -12);
        assertEquals(490, blocked.clearance().distanceM(), 15);
        assertTrue(blocked.lossDb() > open.lossDb() + 10);
        assertEquals(
                open.lossDb(), over(new Cover(Cover.Kind.WATER, 100, 900, 0)).lossDb());
    }

    @Test
    void partsAddUpWhateverTheModelAndWhateverWasLearned() {
        PathLearned learned = new PathLearned(true, -4.5, 5, 7, "2026-11-20");
        for (OutdoorModel model : OutdoorModel.values()) {
            Outdoors out = new Outdoors(path(model, learned, new Cover(Cover.Kind.TREES, 400, 500, 20)), 12, 12, 868);
            double sum =
                    out.parts().stream().mapToDouble(LossModel.Part::lossDb).sum();
            assertEquals(out.lossDb(), sum, 1e-9, model.name());
            double without = new Outdoors(
                            path(model, learned.used(false), new Cover(Cover.Kind.TREES, 400, 500, 20)), 12, 12, 868)
                    .lossDb();
            assertEquals(4.5, out.lossDb() - without, 1e-9);
        }
    }

    @Test
    void aPartOfAPathKeepsItsGroundAndWhatStandsOnIt() {
        RadioPath whole = path(null, null, new Cover(Cover.Kind.TREES, 400, 500, 20));
        RadioPath part = Outdoors.part(whole, 437, 811);
        assertEquals(374, part.profile().get(part.profile().size() - 1).distanceM(), 1e-9);
        assertEquals(new Cover(Cover.Kind.TREES, 0, 63, 20), part.covers().get(0));
    }
}
