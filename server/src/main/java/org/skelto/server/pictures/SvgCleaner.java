package org.skelto.server.pictures;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;
import org.xml.sax.SAXException;

/**
 * Leaves of an SVG only what draws and takes a browser no longer than it is long: plain shapes and text with plain
 * attributes. No script, style sheet, link or picture from elsewhere; nothing that draws other parts again ({@code use},
 * patterns, markers, anything by {@code url(…)}), since a few hundred letters of those can keep a browser busy for ever; no
 * dashes, of which a long line may hold millions.
 */
final class SvgCleaner {
    private static final String SVG = "http://www.w3.org/2000/svg";
    private static final int MOST_ELEMENTS = 60_000;
    private static final int MOST_DEPTH = 100;
    private static final int LONGEST_PLAIN = 200;
    private static final int LONGEST_LINE = 1_000_000;
    private static final int LONGEST_TEXT = 2000;

    private static final Set<String> ELEMENTS = Set.of(
            "svg",
            "g",
            "path",
            "rect",
            "circle",
            "ellipse",
            "line",
            "polyline",
            "polygon",
            "text",
            "tspan",
            "title",
            "desc");

    /** Attributes that may be long: coordinates, and nothing else in them. */
    private static final Set<String> LINES = Set.of("d", "points");

    private static final Set<String> STYLES = Set.of(
            "fill",
            "fill-opacity",
            "fill-rule",
            "stroke",
            "stroke-opacity",
            "stroke-width",
            "stroke-linecap",
            "stroke-linejoin",
            "stroke-miterlimit",
            "opacity",
            "color",
            "display",
            "visibility",
            "font-family",
            "font-size",
            "font-style",
            "font-weight",
            "text-anchor",
            "letter-spacing",
            "dominant-baseline");

    private static final Set<String> ATTRIBUTES = Stream.concat(
                    STYLES.stream(),
                    Stream.of(
                            "x",
                            "y",
                            "x1",
                            "y1",
                            "x2",
                            "y2",
                            "cx",
                            "cy",
                            "r",
                            "rx",
                            "ry",
                            "dx",
                            "dy",
                            "rotate",
                            "width",
                            "height",
                            "viewBox",
                            "preserveAspectRatio",
                            "transform",
                            "version",
                            "id",
                            "class",
                            "xmlns"))
            .collect(Collectors.toUnmodifiableSet());

    private static final Pattern COORDINATES = Pattern.compile("[-+.,0-9A-Za-z\\s]*");

    /** A number with more digits than any coordinate has. */
    private static final Pattern ENDLESS = Pattern.compile("[0-9]{25}");

    /** What of a value could fetch, run or refer. */
    private static final Pattern REACHES = Pattern.compile(
            "url|javascript|expression|import|var\\s*\\(|attr\\s*\\(|image|element\\s*\\(|[\\\\@]",
            Pattern.CASE_INSENSITIVE);

    private int elements;

    private SvgCleaner() {}

    static Picture clean(byte[] file) throws UnreadablePicture {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setNamespaceAware(true);
            factory.setXIncludeAware(false);
            factory.setExpandEntityReferences(false);
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            var builder = factory.newDocumentBuilder();
            builder.setErrorHandler(null);
            Document document = builder.parse(new ByteArrayInputStream(file));
            Element root = document.getDocumentElement();
            if (!"svg".equals(root.getLocalName()) || !SVG.equals(root.getNamespaceURI())) {
                throw new UnreadablePicture("is XML, but no SVG picture");
            }
            new SvgCleaner().clean(root, 0);
            double[] size = size(root);
            root.setAttribute("width", Integer.toString((int) Math.round(size[0])));
            root.setAttribute("height", Integer.toString((int) Math.round(size[1])));
            return new Picture("image/svg+xml", (int) Math.round(size[0]), (int) Math.round(size[1]), bytes(document));
        } catch (ParserConfigurationException | SAXException | IOException | TransformerException e) {
            throw new UnreadablePicture("cannot be read as PNG, JPEG, SVG or PDF");
        }
    }

    private void clean(Element element, int depth) throws UnreadablePicture {
        if (++elements > MOST_ELEMENTS || depth > MOST_DEPTH) {
            throw new UnreadablePicture("has more parts than a drawing of a floor needs");
        }
        attributes(element);
        List<Node> gone = new ArrayList<>();
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element inner) {
                if (SVG.equals(inner.getNamespaceURI()) && ELEMENTS.contains(inner.getLocalName())) {
                    clean(inner, depth + 1);
                } else {
                    gone.add(child);
                }
            } else if (child.getNodeType() != Node.TEXT_NODE && child.getNodeType() != Node.CDATA_SECTION_NODE
                    || child.getNodeValue().length() > LONGEST_TEXT) {
                gone.add(child);
            }
        }
        gone.forEach(element::removeChild);
    }

    private static void attributes(Element element) throws UnreadablePicture {
        NamedNodeMap all = element.getAttributes();
        List<Attr> gone = new ArrayList<>();
        for (int i = 0; i < all.getLength(); i++) {
            Attr attribute = (Attr) all.item(i);
            if (attribute.getName().equals("style")) {
                attribute.setValue(styles(attribute.getValue()));
            } else if (!plain(attribute.getName(), attribute.getValue())) {
                gone.add(attribute);
            }
        }
        gone.forEach(element::removeAttributeNode);
    }

    private static boolean plain(String name, String value) throws UnreadablePicture {
        if (LINES.contains(name)) {
            if (value.length() > LONGEST_LINE || ENDLESS.matcher(value).find()) {
                throw new UnreadablePicture("has a line that is longer than a drawing of a floor needs");
            }
            return COORDINATES.matcher(value).matches();
        }
        return ATTRIBUTES.contains(name)
                && value.length() <= LONGEST_PLAIN
                && !ENDLESS.matcher(value).find()
                && !REACHES.matcher(value).find();
    }

    /** The declarations of a style attribute that are plain. */
    private static String styles(String text) throws UnreadablePicture {
        List<String> kept = new ArrayList<>();
        for (String declaration :
                text.substring(0, Math.min(text.length(), 4 * LONGEST_PLAIN)).split(";")) {
            int colon = declaration.indexOf(':');
            String name =
                    colon < 0 ? "" : declaration.substring(0, colon).strip().toLowerCase(Locale.ROOT);
            if (STYLES.contains(name)
                    && plain(name, declaration.substring(colon + 1).strip())) {
                kept.add(name + ":" + declaration.substring(colon + 1).strip());
            }
        }
        return String.join(";", kept);
    }

    private static double[] size(Element root) throws UnreadablePicture {
        String[] box = root.getAttribute("viewBox").trim().split("[\\s,]+");
        double width = number(root.getAttribute("width"));
        double height = number(root.getAttribute("height"));
        if (box.length == 4) {
            double boxWidth = number(box[2]);
            double boxHeight = number(box[3]);
            width = boxWidth > 0 ? boxWidth : width;
            height = boxHeight > 0 ? boxHeight : height;
        }
        if (!(width > 0 && height > 0)) {
            throw new UnreadablePicture("does not say how large it is: it has neither viewBox nor width and height");
        }
        double scale = Math.min(1, PictureDecoder.MOST_PX / Math.max(width, height));
        if (box.length != 4) {
            root.setAttribute("viewBox", "0 0 " + width + " " + height);
        }
        return new double[] {Math.max(1, width * scale), Math.max(1, height * scale)};
    }

    private static double number(String text) {
        try {
            double value = Double.parseDouble(text.replaceAll("[a-z%]+$", ""));
            return Double.isFinite(value) && value < 1e6 ? value : 0;
        } catch (NumberFormatException e) {
            return 0;
        }
    }

    private static byte[] bytes(Document document) throws TransformerException, UnreadablePicture {
        TransformerFactory factory = TransformerFactory.newInstance();
        factory.setAttribute(XMLConstants.ACCESS_EXTERNAL_DTD, "");
        factory.setAttribute(XMLConstants.ACCESS_EXTERNAL_STYLESHEET, "");
        Transformer transformer = factory.newTransformer();
        transformer.setOutputProperty(OutputKeys.ENCODING, "UTF-8");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        transformer.transform(new DOMSource(document), new StreamResult(out));
        if (out.size() > PictureDecoder.MOST_BYTES) {
            throw new UnreadablePicture("is too full of detail to be kept");
        }
        return out.toByteArray();
    }
}
