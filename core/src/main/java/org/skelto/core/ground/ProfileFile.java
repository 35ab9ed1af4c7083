package org.skelto.core.ground;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.skelto.core.plan.radio.GroundPoint;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.plan.site.GeoPoint;
import org.skelto.core.site.Earth;
import org.skelto.core.work.ComputingBudget;

/**
 * Profiles of the ground as files.
 *
 * <p>CSV: a line for each point with its distance and its height in metres, comma, semicolon or tab between; a first line
 * of words is passed over. Distances must ascend strictly; they are counted from the first one. GPX 1.1: the points of all
 * tracks, routes or way points with {@code lat}, {@code lon} and {@code ele}, laid on the straight line from the first to
 * the last.
 */
public final class ProfileFile {
    /** More points of a track are not read. */
    public static final int MOST_POINTS = 50_000;

    private static final int MOST_LINE = 200;

    private ProfileFile() {}

    /**
     * What a file holds.
     *
     * @param asideM how far the track leaves the straight line at most, metres; 0 for a table
     * @param read how many points the file had
     */
    public record Profile(List<GroundPoint> points, double asideM, int read) {}

    /** Reads a table of distances and heights. */
    public static Profile csv(String text) throws Unreadable {
        List<double[]> points = new ArrayList<>();
        int number = 0;
        for (String raw : (Iterable<String>) text.lines()::iterator) {
            number++;
            String line = raw.strip();
            if (line.isEmpty()) {
                continue;
            }
            String at = "/line " + number;
            if (line.length() > MOST_LINE) {
                throw new Unreadable(at, "is longer than " + MOST_LINE + " characters");
            }
            String[] cells = cells(line);
            if (points.isEmpty() && number == 1 && line.chars().anyMatch(Character::isLetter)) {
                continue;
            }
            if (cells.length != 2) {
                throw new Unreadable(
                        at,
                        cells.length < 2
                                ? "lacks its height: a line holds distance and height in metres"
                                : "holds " + cells.length + " cells: a line holds distance and height in metres");
            }
            double distance = number(cells[0], at, "distance");
            double height = number(cells[1], at, "height");
            if (!points.isEmpty() && distance <= points.get(points.size() - 1)[0]) {
                throw new Unreadable(at, "does not lie beyond the point before it: distances must ascend");
            }
            if (points.size() == MOST_POINTS) {
                throw new Unreadable(at, "is beyond the " + MOST_POINTS + " points allowed");
            }
            points.add(new double[] {distance, height});
        }
        if (points.size() < 2) {
            throw new Unreadable("", "needs at least two points, each with distance and height in metres");
        }
        double start = points.get(0)[0];
        points.forEach(p -> p[0] -= start);
        return new Profile(thinned(points), 0, points.size());
    }

    private static String[] cells(String line) {
        String by = line.contains("\t") ? "\t" : line.contains(";") ? ";" : line.contains(",") ? "," : "\\s+";
        String[] cells = line.split(by, -1);
        for (int i = 0; i < cells.length; i++) {
            cells[i] = cells[i].strip();
            if (!by.equals(",")) {
                cells[i] = cells[i].replace(',', '.');
            }
        }
        return cells;
    }

    private static double number(String cell, String at, String what) throws Unreadable {
        if (cell.isEmpty()) {
            throw new Unreadable(at, "lacks its " + what);
        }
        try {
            double value = Double.parseDouble(cell.replace('−', '-'));
            if (Double.isFinite(value) && Math.abs(value) <= 1e6) {
                return value;
            }
        } catch (NumberFormatException e) {
            // told below
        }
        throw new Unreadable(at, "has no number as " + what + ": " + HeightFile.shown(cell));
    }

    /** Reads a GPX track. Entities and document types are refused. */
    public static Profile gpx(byte[] file) throws Unreadable {
        XMLInputFactory factory = XMLInputFactory.newInstance();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        List<double[]> places = new ArrayList<>();
        try {
            XMLStreamReader xml = factory.createXMLStreamReader(new ByteArrayInputStream(file));
            boolean gpx = false;
            while (xml.hasNext()) {
                ComputingBudget.step();
                int event = xml.next();
                if (event == XMLStreamConstants.DTD || event == XMLStreamConstants.ENTITY_REFERENCE) {
                    throw new Unreadable(at(xml), "declares a document type or entities; that is not taken in");
                }
                if (event != XMLStreamConstants.START_ELEMENT) {
                    continue;
                }
                String name = xml.getLocalName().toLowerCase(Locale.ROOT);
                if (!gpx && !name.equals("gpx")) {
                    throw new Unreadable(at(xml), "is not GPX: it begins with " + HeightFile.shown(name));
                }
                gpx = true;
                if (name.equals("trkpt") || name.equals("rtept") || name.equals("wpt")) {
                    if (places.size() == MOST_POINTS) {
                        throw new Unreadable(at(xml), "is beyond the " + MOST_POINTS + " points allowed");
                    }
                    places.add(point(xml, name));
                }
            }
        } catch (XMLStreamException e) {
            int line = e.getLocation() == null ? 0 : e.getLocation().getLineNumber();
            throw new Unreadable(line > 0 ? "/line " + line : "", "is not well-formed XML");
        }
        if (places.size() < 2) {
            throw new Unreadable("", "holds " + places.size() + " points; a profile needs at least two");
        }
        return straightened(places);
    }

    private static String at(XMLStreamReader xml) {
        return "/line " + xml.getLocation().getLineNumber();
    }

    private static double[] point(XMLStreamReader xml, String name) throws XMLStreamException, Unreadable {
        String at = at(xml);
        double latitude = degrees(xml.getAttributeValue(null, "lat"), at, "lat", 90);
        double longitude = degrees(xml.getAttributeValue(null, "lon"), at, "lon", 180);
        Double height = null;
        int depth = 0;
        while (xml.hasNext()) {
            ComputingBudget.step();
            int event = xml.next();
            if (event == XMLStreamConstants.START_ELEMENT) {
                if (depth == 0 && xml.getLocalName().equalsIgnoreCase("ele")) {
                    height = number(xml.getElementText().strip(), at(xml), "height");
                } else {
                    depth++;
                }
            } else if (event == XMLStreamConstants.END_ELEMENT) {
                if (depth == 0) {
                    break;
                }
                depth--;
            } else if (event == XMLStreamConstants.ENTITY_REFERENCE) {
                throw new Unreadable(at(xml), "uses an entity; that is not taken in");
            }
        }
        if (height == null) {
            throw new Unreadable(at, "has no height: each " + name + " needs an ele");
        }
        return new double[] {latitude, longitude, height};
    }

    private static double degrees(String text, String at, String what, double most) throws Unreadable {
        if (text == null) {
            throw new Unreadable(at, "has no " + what);
        }
        double value = number(text.strip(), at, what);
        if (Math.abs(value) > most) {
            throw new Unreadable(at, "has a " + what + " beyond " + (int) most + "°");
        }
        return value;
    }

    /** Lays points on the line from the first to the last; what comes within a metre is one point. */
    private static Profile straightened(List<double[]> places) throws Unreadable {
        GeoPoint origin = new GeoPoint(places.get(0)[0], places.get(0)[1]);
        double[] last = places.get(places.size() - 1);
        double[] end = Earth.metres(origin, new GeoPoint(last[0], last[1]));
        double length = Math.hypot(end[0], end[1]);
        if (length < 2) {
            throw new Unreadable("", "ends where it begins; a profile needs two ends");
        }
        List<double[]> along = new ArrayList<>();
        double aside = 0;
        for (double[] place : places) {
            double[] m = Earth.metres(origin, new GeoPoint(place[0], place[1]));
            double d = (m[0] * end[0] + m[1] * end[1]) / length;
            aside = Math.max(aside, Math.abs(m[0] * end[1] - m[1] * end[0]) / length);
            if (d >= 0 && d <= length) {
                along.add(new double[] {d, place[2]});
            }
        }
        along.sort(java.util.Comparator.comparingDouble(p -> p[0]));
        List<double[]> merged = new ArrayList<>();
        int many = 1;
        for (double[] p : along) {
            double[] before = merged.isEmpty() ? null : merged.get(merged.size() - 1);
            if (before != null && p[0] - before[0] < 1) {
                before[1] = (before[1] * many + p[1]) / (many + 1);
                many++;
            } else {
                merged.add(p);
                many = 1;
            }
        }
        if (merged.size() < 2) {
            throw new Unreadable("", "has no two points that lie along its line");
        }
        return new Profile(thinned(merged), aside, places.size());
    }

    /** At most as many points as a path may have: of equal stretches the highest point stays, for it is what counts. */
    private static List<GroundPoint> thinned(List<double[]> points) throws Unreadable {
        double length = points.get(points.size() - 1)[0];
        if (length > 200_000) {
            throw new Unreadable("", "is " + Math.round(length / 1000) + " km long; at most 200 km are taken");
        }
        List<double[]> kept = points;
        int most = RadioPath.MOST_POINTS;
        if (points.size() > most) {
            kept = new ArrayList<>();
            int from = 1;
            for (int i = 0; i < most - 2; i++) {
                double until = length * (i + 1) / (most - 2);
                double[] highest = null;
                while (from < points.size() - 1 && points.get(from)[0] <= until) {
                    if (highest == null || points.get(from)[1] > highest[1]) {
                        highest = points.get(from);
                    }
                    from++;
                }
                if (highest != null) {
                    kept.add(highest);
                }
            }
            kept.add(0, points.get(0));
            kept.add(points.get(points.size() - 1));
        }
        List<GroundPoint> out = new ArrayList<>();
        double before = -1;
        for (double[] p : kept) {
            double d = Math.round(p[0] * 100) / 100.0;
            if (d > before) {
                out.add(new GroundPoint(d, Math.round(p[1] * 100) / 100.0));
                before = d;
            }
        }
        if (out.size() < 2) {
            throw new Unreadable("", "has no two points that are a centimetre apart");
        }
        return out;
    }

    /** Writes a profile as a table. */
    public static String write(List<GroundPoint> points) {
        StringBuilder out = new StringBuilder("distanceM,elevationM\r\n");
        points.forEach(p ->
                out.append(p.distanceM()).append(',').append(p.elevationM()).append("\r\n"));
        return out.toString();
    }
}
