package org.skelto.server.pictures;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.skelto.core.plan.Problem;
import org.skelto.server.problems.Refusal;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;

/** Leaves of an SVG only what draws: no script, no style sheet, no link, no picture from elsewhere, no document type. */
final class SvgCleaner {
    private static final String SVG = "http://www.w3.org/2000/svg";
    private static final int MOST_ELEMENTS = 100_000;

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
            "defs",
            "linearGradient",
            "radialGradient",
            "stop",
            "title",
            "desc",
            "use",
            "symbol",
            "clipPath",
            "pattern",
            "marker");

    private int elements;

    private SvgCleaner() {}

    static Picture clean(byte[] file) {
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
                throw refused("is XML, but no SVG picture");
            }
            new SvgCleaner().clean(root, 0);
            double[] size = size(root);
            root.setAttribute("width", Integer.toString((int) Math.round(size[0])));
            root.setAttribute("height", Integer.toString((int) Math.round(size[1])));
            return new Picture("image/svg+xml", (int) Math.round(size[0]), (int) Math.round(size[1]), bytes(document));
        } catch (Refusal refusal) {
            throw refusal;
        } catch (Exception e) {
            throw refused("cannot be read as PNG, JPEG, SVG or PDF");
        }
    }

    private static Refusal refused(String why) {
        return Refusal.invalid("The picture cannot be taken. Nothing was changed.", List.of(new Problem("", why)));
    }

    private void clean(Element element, int depth) {
        if (++elements > MOST_ELEMENTS || depth > 200) {
            throw refused("has more parts than a drawing of a floor needs");
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
            } else if (child.getNodeType() != Node.TEXT_NODE && child.getNodeType() != Node.CDATA_SECTION_NODE) {
                gone.add(child);
            }
        }
        gone.forEach(element::removeChild);
    }

    private static void attributes(Element element) {
        NamedNodeMap all = element.getAttributes();
        List<Attr> gone = new ArrayList<>();
        for (int i = 0; i < all.getLength(); i++) {
            Attr attribute = (Attr) all.item(i);
            String name = attribute.getName().toLowerCase(Locale.ROOT);
            String value = attribute.getValue().toLowerCase(Locale.ROOT).replaceAll("\\s", "");
            boolean names = name.equals("xmlns") || name.startsWith("xmlns:");
            boolean calls = name.startsWith("on");
            boolean leads = name.endsWith("href") && !value.startsWith("#");
            boolean fetches = value.contains("url(") && !value.matches(".*url\\([\"']?#.*")
                    || value.contains("javascript:")
                    || value.contains("expression(")
                    || value.contains("@import");
            if (!names && (calls || leads || fetches)) {
                gone.add(attribute);
            }
        }
        gone.forEach(element::removeAttributeNode);
    }

    private static double[] size(Element root) {
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
            throw refused("does not say how large it is: it has neither viewBox nor width and height");
        }
        double scale = Math.min(1, PictureReader.MOST_PX / Math.max(width, height));
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

    private static byte[] bytes(Document document) throws Exception {
        TransformerFactory factory = TransformerFactory.newInstance();
        factory.setAttribute(XMLConstants.ACCESS_EXTERNAL_DTD, "");
        factory.setAttribute(XMLConstants.ACCESS_EXTERNAL_STYLESHEET, "");
        Transformer transformer = factory.newTransformer();
        transformer.setOutputProperty(OutputKeys.ENCODING, "UTF-8");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        transformer.transform(new DOMSource(document), new StreamResult(out));
        if (out.size() > Pictures.MOST_BYTES) {
            throw refused("is too full of detail to be kept");
        }
        return out.toByteArray();
    }
}
