package org.skelto.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.ItemVisitor;
import org.locationtech.jts.index.strtree.STRtree;
import org.skelto.core.coverage.LossTerms;
import org.skelto.core.coverage.Source;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.Room;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.radio.SlabTable;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.raster.Grid;
import org.skelto.core.site.Panel;
import org.skelto.core.site.SiteModel;
import org.skelto.core.site.SlabArea;

/** Coverage the plain way: each cell asks an STR-tree for the panels whose envelope its ray's envelope meets. */
final class PlainCoverage {
    /** A panel and its table. */
    private record Item(Panel panel, SlabTable table) {}

    private final SiteModel site;
    private final SlabTables tables;
    private final LossTerms terms;

    PlainCoverage(SiteModel site, SlabTables tables) {
        this.site = site;
        this.tables = tables;
        this.terms = new LossTerms(site, tables);
    }

    /** Levels of each source in each cell, dBm, on all processors. */
    List<float[]> levels(Grid grid, List<Source> sources) {
        short[] rooms = terms.roomOfCells(grid);
        List<float[]> all = new ArrayList<>();
        for (Source source : sources) {
            all.add(levels(grid, source, rooms));
        }
        return all;
    }

    private float[] levels(Grid grid, Source source, short[] rooms) {
        Plan plan = site.plan();
        STRtree tree = new STRtree();
        for (Panel panel : site.panels()) {
            tree.insert(
                    new Envelope(panel.axM(), panel.bxM(), panel.ayM(), panel.byM()),
                    new Item(panel, tables.table(plan, panel.construction(), source.frequencyMHz())));
        }
        tree.build();
        List<SlabTable> slabTables = site.slabs().stream()
                .map(s -> tables.table(plan, s.construction(), source.frequencyMHz()))
                .toList();
        double sourceClutter = plan.rooms().get(source.place().room()).clutter().lossDb();
        List<Room> roomList = List.copyOf(plan.rooms().values());
        float[] level = new float[grid.cells()];
        IntStream.range(0, grid.rows()).parallel().forEach(row -> {
            for (int column = 0; column < grid.columns(); column++) {
                int cell = row * grid.columns() + column;
                double clutter = rooms[cell] < 0
                        ? sourceClutter
                        : Math.max(
                                sourceClutter,
                                roomList.get(rooms[cell]).clutter().lossDb());
                double lossDb = lossDb(tree, slabTables, grid, source, grid.x(column), grid.y(row));
                level[cell] = (float) (source.levelDbm() - lossDb - clutter);
            }
        });
        return level;
    }

    private double lossDb(STRtree tree, List<SlabTable> slabTables, Grid grid, Source source, double x, double y) {
        double sx = source.at().xM();
        double sy = source.at().yM();
        double sz = source.at().zM();
        double z = grid.zM();
        double distance = Math.sqrt((x - sx) * (x - sx) + (y - sy) * (y - sy) + (z - sz) * (z - sz));
        double[] sum = {FreeSpace.lossDb(source.frequencyMHz(), distance)};
        ItemVisitor visitor = found -> {
            Item item = (Item) found;
            Panel panel = item.panel();
            if (panel.stops(sx, sy, sz, x, y, z)) {
                double cos = Math.abs(panel.side(sx, sy) - panel.side(x, y)) / panel.lengthM() / distance;
                sum[0] += item.table().lossDb(Math.min(1, cos));
            }
        };
        tree.query(new Envelope(sx, x, sy, y), visitor);
        double run = z - sz;
        for (int i = 0; i < slabTables.size(); i++) {
            SlabArea slab = site.slabs().get(i);
            double share = (slab.zM() - sz) / run;
            if (run != 0 && share > 0 && share < 1 && slab.covers(sx + share * (x - sx), sy + share * (y - sy))) {
                sum[0] += slabTables.get(i).lossDb(Math.abs(run) / distance);
            }
        }
        return sum[0];
    }
}
