package org.skelto.server.names;

import com.samskivert.mustache.DefaultCollector;
import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.MustacheException;
import com.samskivert.mustache.Template;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.configuration.ControllerConfiguration;
import org.skelto.core.configuration.ControllerConfiguration.DeviceSettings;
import org.skelto.core.configuration.ControllerConfiguration.MessageSettings;
import org.skelto.core.configuration.ControllerConfiguration.Pull;
import org.skelto.core.configuration.ControllerConfiguration.TerminalSettings;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.work.ComputingBudget;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Configurations written by templates without logic (Mustache), those that come along or a person's own. A template reads what
 * it is given and nothing else: no files, no other templates, and no more than a megabyte comes out.
 */
@Component
final class ControllerTemplates {
    /** Templates that come along, by the ends of the files that they make. */
    static final Map<String, String> STANDARD = Map.of("header", "h", "environment", "env", "listing", "txt");

    static final int LARGEST_TEMPLATE = 100_000;
    private static final int LARGEST = 1_048_576;
    private static final int MOST_ROUNDS = 100_000;

    private final Map<String, String> texts = new TreeMap<>();

    ControllerTemplates() {
        STANDARD.keySet().forEach(name -> texts.put(name, text("/names/" + name + ".mustache")));
    }

    /** The templates that come along. */
    Map<String, String> texts() {
        return texts;
    }

    /** A controller written by a template. */
    String written(String template, ControllerConfiguration controller, String plan, long revision) {
        Bounded out = new Bounded();
        try {
            Template compiled = Mustache.compiler()
                    .escapeHTML(false)
                    .nullValue("")
                    .defaultValue("")
                    .emptyStringIsFalse(true)
                    .withLoader(name -> {
                        throw new MustacheException("it asks for another template, " + name);
                    })
                    .withCollector(new Counting())
                    .compile(template);
            ComputingBudget.ofSteps(MOST_ROUNDS).run(() -> {
                compiled.execute(values(controller, plan, revision), out);
                return out;
            });
        } catch (ComputingBudget.Exhausted e) {
            throw Refusal.invalid(
                    "The template cannot be used.",
                    List.of(new Problem("/template", "goes through its lists more than " + MOST_ROUNDS + " times")));
        } catch (TooLong e) {
            throw Refusal.of(
                    HttpStatus.CONTENT_TOO_LARGE,
                    "What the template writes is longer than a megabyte. Nothing was kept.");
        } catch (MustacheException e) {
            throw Refusal.invalid("The template cannot be used.", List.of(new Problem("/template", said(e))));
        }
        return out.text.toString();
    }

    private static String said(MustacheException e) {
        String why = e.getMessage() == null ? "is none" : e.getMessage();
        return why.length() > 200 ? why.substring(0, 200) : why;
    }

    private static Map<String, Object> values(ControllerConfiguration c, String plan, long revision) {
        Map<String, Object> values = new TreeMap<>();
        values.put("plan", line(plan));
        values.put("revision", revision);
        values.put("unit", c.unit());
        values.put("name", line(c.name()));
        values.put("host", c.host());
        values.put("where", line(c.where()));
        values.put("symbol", symbol(c.unit()));
        values.put("network", c.network());
        values.put(
                "devices", c.devices().stream().map(ControllerTemplates::device).toList());
        return values;
    }

    private static Map<String, Object> device(DeviceSettings d) {
        Map<String, Object> values = new TreeMap<>();
        values.put("device", d.device());
        values.put("name", line(d.name()));
        values.put("kind", words(d.kind()));
        values.put("symbol", symbol(d.device()));
        values.put("topic", line(d.topic()));
        values.put("rest", words(d.rest()));
        values.put("afterPower", d.afterPower() == null ? "" : words(d.afterPower()));
        values.put(
                "terminals",
                d.terminals().stream().map(t -> terminal(d.device(), t)).toList());
        values.put(
                "messages",
                d.messages().stream().map(ControllerTemplates::message).toList());
        return values;
    }

    private static Map<String, Object> terminal(String device, TerminalSettings t) {
        Map<String, Object> values = new TreeMap<>();
        values.put("connection", t.connection());
        values.put("symbol", symbol(device + "-" + t.connection()));
        values.put("does", t.does());
        values.put("terminal", t.terminal() == null ? "" : t.terminal());
        values.put("behind", t.behind() == null ? "" : t.behind());
        values.put("inverted", t.inverted() ? 1 : 0);
        values.put("invertedWords", t.inverted() ? "inverted" : "");
        values.put("pullUp", t.pull() == Pull.UP ? 1 : 0);
        return values;
    }

    private static Map<String, Object> message(MessageSettings m) {
        Map<String, Object> values = new TreeMap<>();
        values.put("kind", words(m.kind()));
        values.put("words", (m.sent() ? "says " : "is told ") + words(m.kind()) + " at");
        values.put("topic", line(m.topic()));
        values.put("delivery", m.delivery());
        values.put("retained", m.retained());
        values.put("intervalS", m.intervalS() == null ? "" : m.intervalS());
        return values;
    }

    private static String words(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** A name on one line and without what ends a comment or a quoted text, whatever it holds. */
    private static String line(String text) {
        return text == null
                ? ""
                : text.replaceAll("[\\p{Cntrl}\"\\\\]", " ")
                        .replace("*/", "* /")
                        .strip();
    }

    /** An id as names of constants are written. */
    private static String symbol(String id) {
        String plain = Normalizer.normalize(id, Normalizer.Form.NFD).replaceAll("[^A-Za-z0-9]+", "_");
        String upper = plain.toUpperCase(Locale.ROOT);
        return upper.isEmpty() || Character.isDigit(upper.charAt(0)) ? "U" + upper : upper;
    }

    private static String text(String resource) {
        try (InputStream in = ControllerTemplates.class.getResourceAsStream(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Each round of a section is a step: sections in sections would go on for ever. */
    private static final class Counting extends DefaultCollector {
        @Override
        public Iterator<?> toIterator(Object value) {
            Iterator<?> all = super.toIterator(value);
            if (all == null) {
                return null;
            }
            return new Iterator<Object>() {
                @Override
                public boolean hasNext() {
                    return all.hasNext();
                }

                @Override
                public Object next() {
                    ComputingBudget.step();
                    return all.next();
                }
            };
        }
    }

    private static final class TooLong extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    private static final class Bounded extends Writer {
        private final StringBuilder text = new StringBuilder();

        @Override
        public void write(char[] piece, int from, int length) {
            if (text.length() + length > LARGEST) {
                throw new TooLong();
            }
            text.append(piece, from, length);
        }

        @Override
        public void flush() {
            // all of it is in the text already
        }

        @Override
        public void close() {
            // nothing is open
        }
    }
}
