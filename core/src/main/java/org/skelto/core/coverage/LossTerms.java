package org.skelto.core.coverage;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.IndoorModel;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Room;
import org.skelto.core.radio.SlabTable;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.raster.Grid;
import org.skelto.core.site.Panel;
import org.skelto.core.site.SiteModel;
import org.skelto.core.site.SlabArea;
import org.skelto.core.work.ComputingBudget;

/** What a site does to a level: its panels and slabs with their tables, and the rooms that cells lie in. */
public final class LossTerms {
    final SiteModel site;
    final SlabTables tables;
    final Panel[] panels;
    final SlabArea[] slabs;
    private final String[] roomIds;
    private final Room[] rooms;
    private final Map<Double, Losses> losses = new HashMap<>();

    /** Tables of one frequency, in the order of the panels and slabs. */
    record Losses(SlabTable[] panels, SlabTable[] slabs) {}

    public LossTerms(SiteModel site, SlabTables tables) {
        this.site = site;
        this.tables = tables;
        this.panels = site.panels().toArray(Panel[]::new);
        this.slabs = site.slabs().toArray(SlabArea[]::new);
        this.roomIds = site.plan().rooms().keySet().toArray(String[]::new);
        this.rooms = site.plan().rooms().values().toArray(Room[]::new);
    }

    synchronized Losses at(double frequencyMHz) {
        return losses.computeIfAbsent(frequencyMHz, f -> {
            Map<String, SlabTable> known = new HashMap<>();
            SlabTable[] walls = new SlabTable[panels.length];
            for (int i = 0; i < panels.length; i++) {
                walls[i] = known.computeIfAbsent(panels[i].construction(), c -> tables.table(site.plan(), c, f));
            }
            SlabTable[] floors = new SlabTable[slabs.length];
            for (int i = 0; i < slabs.length; i++) {
                floors[i] = known.computeIfAbsent(slabs[i].construction(), c -> tables.table(site.plan(), c, f));
            }
            return new Losses(walls, floors);
        });
    }

    boolean byWalls() {
        return site.plan().indoorModel() == IndoorModel.WALLS;
    }

    /** Ids of the rooms, in the order of the numbers that {@link #roomOfCells} gives. */
    public List<String> roomIds() {
        return List.of(roomIds);
    }

    /** Number of the room of each cell, or -1 outdoors. Where rooms overlap the later one counts. */
    public short[] roomOfCells(Grid grid) {
        short[] numbers = new short[grid.cells()];
        java.util.Arrays.fill(numbers, (short) -1);
        Plan plan = site.plan();
        for (short n = 0; n < rooms.length; n++) {
            if (rooms[n].floor().equals(grid.floor())) {
                Building building =
                        plan.buildings().get(plan.floors().get(grid.floor()).building());
                fill(grid, rooms[n], building, n, numbers);
            }
        }
        return numbers;
    }

    private static void fill(Grid grid, Room room, Building building, short number, short[] numbers) {
        var bounds = room.bounds();
        int firstRow = Math.max(0, (int) ((building.yM() + bounds.southM() - grid.southM()) / grid.cellM()) - 1);
        int lastRow =
                Math.min(grid.rows() - 1, (int) ((building.yM() + bounds.northM() - grid.southM()) / grid.cellM()) + 1);
        int firstColumn = Math.max(0, (int) ((building.xM() + bounds.westM() - grid.westM()) / grid.cellM()) - 1);
        int lastColumn = Math.min(
                grid.columns() - 1, (int) ((building.xM() + bounds.eastM() - grid.westM()) / grid.cellM()) + 1);
        for (int row = firstRow; row <= lastRow; row++) {
            ComputingBudget.step();
            for (int column = firstColumn; column <= lastColumn; column++) {
                if (room.contains(grid.x(column) - building.xM(), grid.y(row) - building.yM())) {
                    numbers[row * grid.columns() + column] = number;
                }
            }
        }
    }

    /** The clutter term of each room for a source whose own room has this one, dB. */
    float[] clutterWith(float sourceDb) {
        float[] db = new float[rooms.length];
        for (int i = 0; i < db.length; i++) {
            db[i] = Math.max(sourceDb, (float) rooms[i].clutter().lossDb());
        }
        return db;
    }
}
