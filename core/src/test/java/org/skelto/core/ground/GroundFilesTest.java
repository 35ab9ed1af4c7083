package org.skelto.core.ground;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.plan.radio.GroundPoint;
import org.skelto.core.plan.site.GeoPoint;

/** Ground from files: what is read, and what is refused with its place. */
class GroundFilesTest {
    private static final String HEAD = "ncols 3\nnrows 2\nxllcenter 10\nyllcenter -20\ncellsize 5\nNODATA_value -99\n";

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static Unreadable refused(String text) {
        return assertThrows(Unreadable.class, () -> HeightFile.read("x.asc", bytes(text), null));
    }

    @Test
    void readsAnAsciiGridFromTheNorthAndFillsWhatIsMissing() throws Unreadable {
        HeightFile.Heights h = HeightFile.read("x.asc", bytes(HEAD + "4 5 6\n1 -99 3"), null);
        ElevationGrid grid = h.on(null);
        assertEquals(1, h.filled());
        assertArrayEquals(new float[] {1, 3, 3, 4, 5, 6}, grid.heightM());
        assertEquals(4, grid.at(10, -15));
        assertEquals(5.25, grid.at(16.25, -15), 1e-6);
        assertTrue(grid.holds(20, -20) && !grid.holds(20.1, -20));
        assertEquals(
                h,
                HeightFile.read("again.asc", bytes(HeightFile.write(h)), null).filled() == 0 ? h : null);
    }

    @Test
    void whatIsWrittenIsReadTheSame() throws Unreadable {
        HeightFile.Heights h =
                HeightFile.read("x.asc", bytes(HEAD.replace("10", "10.25") + "4.3 5 -6.7\n1 -0.4 3"), null);
        HeightFile.Heights again = HeightFile.read("y.asc", bytes(HeightFile.write(h)), null);
        assertArrayEquals(h.heightM(), again.heightM());
        assertEquals(HeightFile.write(h), HeightFile.write(again));
        assertEquals(10.25, again.west());
    }

    @Test
    void refusesGridsThatDoNotHoldWhatTheySay() {
        assertTrue(refused(HEAD + "1 2 3 4 5").getMessage().contains("5 of 6"));
        assertTrue(refused(HEAD + "1 2 3 4 5 6 7").getMessage().contains("more than 6"));
        assertEquals("/line 8", refused(HEAD + "1 2 3\n4 five 6").place());
        assertTrue(refused(HEAD + "-99 -99 3\n4 5 6").getMessage().contains("lacks 2 of 6"));
        assertTrue(refused(HEAD + "1 2 3\n4 5 99999").getMessage().contains("none on earth"));
        assertTrue(refused("ncols 3\nnrows 2\n1 2 3 4 5 6").getMessage().contains("head"));
        assertEquals("/ncols", refused(HEAD.replace("ncols 3", "ncols 99999")).place());
        assertEquals("/line 1", refused("hello world").place());
    }

    private static byte[] tile(int side) {
        ByteBuffer tile = ByteBuffer.allocate(2 * side * side);
        for (int row = 0; row < side; row++) {
            for (int column = 0; column < side; column++) {
                tile.putShort((short) (side - 1 - row));
            }
        }
        tile.putShort(0, (short) -32_768);
        return tile.array();
    }

    @Test
    void readsATileAndOfALargeOneThePartAroundTheSite() throws Unreadable {
        GeoPoint site = new GeoPoint(52.31, -2.94);
        HeightFile.Heights small = HeightFile.read("N52W003.hgt", tile(1201), site);
        assertEquals(1, small.filled());
        // heights count rows from the south: a minute is a twentieth of the tile
        assertEquals(372, small.on(site).at(0, 0), 0.01);
        HeightFile.Heights large = HeightFile.read("N52W003.hgt", tile(3601), site);
        assertEquals(1201, large.columns());
        assertEquals(1116, large.on(site).at(0, 0), 0.01);
    }

    @ParameterizedTest
    @CsvSource({
        "N52W003.hgt, 1200, bytes",
        "N52W003.hgt, 0, bytes",
        "heights.hgt, 1201, named after its corner",
        "N95W003.hgt, 1201, not on earth",
        "N10E010.hgt, 3601, does not lie on it",
    })
    void refusesTilesOfAWrongSizeOrName(String name, int side, String why) {
        byte[] file = side == 3601 ? new byte[2 * 3601 * 3601] : new byte[2 * side * side];
        Unreadable refused =
                assertThrows(Unreadable.class, () -> HeightFile.read(name, file, new GeoPoint(52.31, -2.94)));
        assertTrue(refused.getMessage().contains(why), refused.getMessage());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "distance, height\n0,212\n310,231.5\n620,218",
                "0;212\n310;231,5\n620;218",
                "100\t212\n410\t231.5\n720 \t218"
            })
    void readsPointsHoweverTheyAreSeparated(String table) throws Unreadable {
        assertEquals(
                List.of(new GroundPoint(0, 212), new GroundPoint(310, 231.5), new GroundPoint(620, 218)),
                ProfileFile.csv(table).points());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0,1\\n10,2\\n10,3 | /line 3 | beyond the point before",
                "0,1\\n10,2\\n5,3 | /line 3 | beyond the point before",
                "0,1\\n10,\\n20,3 | /line 2 | lacks its height",
                "0,1\\n10\\n20,3 | /line 2 | lacks its height",
                "0,1\\n10,2,3 | /line 2 | 3 cells",
                "0,1\\nten,2 | /line 2 | no number as distance",
                "0,1 | '' | at least two",
                "0,1\\n300000,2 | '' | at most 200 km",
            })
    void refusesTablesNamingTheLine(String table, String place, String why) {
        Unreadable refused = assertThrows(Unreadable.class, () -> ProfileFile.csv(table.replace("\\n", "\n")));
        assertEquals(place, refused.place());
        assertTrue(refused.getMessage().contains(why), refused.getMessage());
    }

    private static String gpx(String points) {
        return "<?xml version=\"1.0\"?><gpx version=\"1.1\" creator=\"x\"><trk><trkseg>" + points
                + "</trkseg></trk></gpx>";
    }

    private static String point(double lat, double lon, String more) {
        return "<trkpt lat=\"" + lat + "\" lon=\"" + lon + "\">" + more + "</trkpt>";
    }

    @Test
    void laysATrackOnItsStraightLine() throws Unreadable {
        ProfileFile.Profile p = ProfileFile.gpx(bytes(gpx(point(52, -3, "<ele>100</ele>")
                + point(52.005, -2.9995, "<name>x</name><ele>140</ele>")
                + point(52.01, -3, "<ele>120</ele>"))));
        assertEquals(3, p.points().size());
        assertEquals(556, p.points().get(1).distanceM(), 1);
        assertEquals(140, p.points().get(1).elevationM());
        assertEquals(34, p.asideM(), 1);
    }

    @Test
    void refusesTracksWithEntitiesWithoutHeightsOrTooLong() {
        String entity = "<?xml version=\"1.0\"?><!DOCTYPE gpx [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>"
                + "<gpx><trk><trkseg><trkpt lat=\"52\" lon=\"-3\"><ele>&x;</ele></trkpt></trkseg></trk></gpx>";
        assertTrue(assertThrows(Unreadable.class, () -> ProfileFile.gpx(bytes(entity)))
                .getMessage()
                .matches(".*(document type|entit|well-formed).*"));
        assertTrue(assertThrows(
                        Unreadable.class, () -> ProfileFile.gpx(bytes(gpx(point(52, -3, "") + point(52.1, -3, "")))))
                .getMessage()
                .contains("no height"));
        String many = gpx(point(52, -3, "<ele>1</ele>").repeat(ProfileFile.MOST_POINTS + 1));
        assertTrue(assertThrows(Unreadable.class, () -> ProfileFile.gpx(bytes(many)))
                .getMessage()
                .contains("beyond the 50000"));
        assertThrows(Unreadable.class, () -> ProfileFile.gpx(bytes("<html/>")));
        assertThrows(Unreadable.class, () -> ProfileFile.gpx(bytes("not xml")));
        assertThrows(Unreadable.class, () -> ProfileFile.gpx(bytes(gpx(point(95, -3, "<ele>1</ele>")))));
    }

    @Test
    void ofAVeryLongTableTheHighestPointOfEachStretchStays() throws Unreadable {
        StringBuilder table = new StringBuilder();
        for (int i = 0; i < 30_000; i++) {
            table.append(i).append(',').append(i == 17_777 ? 500 : 100).append('\n');
        }
        List<GroundPoint> points = ProfileFile.csv(table.toString()).points();
        assertTrue(points.size() <= 2000);
        assertTrue(points.contains(new GroundPoint(17_777, 500)));
    }
}
