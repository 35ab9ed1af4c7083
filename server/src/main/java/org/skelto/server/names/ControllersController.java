package org.skelto.server.names;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.skelto.core.configuration.BoardDifference;
import org.skelto.core.configuration.ControllerConfiguration;
import org.skelto.core.configuration.ControllerConfigurations;
import org.skelto.core.naming.Contract;
import org.skelto.core.naming.Contracts;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.paper.ControllerPaper;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** What each controller must be told, as a file, as text by a template, and on paper. */
@RestController
@RequestMapping("/api/plans/{id}/names")
class ControllersController {
    private final JsonMapper mapper;
    private final ControllerTemplates templates;
    private final ControllerPaper paper;

    ControllersController(JsonMapper mapper, ControllerTemplates templates, ControllerPaper paper) {
        this.mapper = mapper;
        this.templates = templates;
        this.paper = paper;
    }

    /** A text for a controller. */
    public record Written(String text) {}

    /** A template of a person's own. */
    public record OwnTemplate(String template) {}

    private static Map<String, ControllerConfiguration> all(OpenPlan open) {
        return ControllerConfigurations.of(
                open.plan(), open.figures().parts(), open.figures().wired(), Contracts.of(open.plan()));
    }

    private static ControllerConfiguration one(OpenPlan open, String unit) {
        return one(all(open), unit);
    }

    private static ControllerConfiguration one(Map<String, ControllerConfiguration> all, String unit) {
        ControllerConfiguration found = all.get(unit);
        if (found == null) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such controller in the plan.");
        }
        return found;
    }

    /** The configurations of all controllers. */
    @GetMapping("/controllers")
    Collection<ControllerConfiguration> controllers(OpenPlan open) {
        return all(open).values();
    }

    /** Two controllers beside one another. */
    @GetMapping("/controllers/{unit}/difference/{other}")
    List<BoardDifference> difference(OpenPlan open, @PathVariable String unit, @PathVariable String other) {
        Map<String, ControllerConfiguration> all = all(open);
        return BoardDifference.of(one(all, unit), one(all, other));
    }

    /** The configuration as a file; its schema is at {@code /formats/skelto-controller-1.schema.json}. */
    @GetMapping(path = "/controllers/{unit}/file", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> file(OpenPlan open, @PathVariable String unit) {
        return Files.download(
                open.plan(), unit + ".controller.json", MediaType.APPLICATION_JSON, json(open, one(open, unit)));
    }

    private byte[] json(OpenPlan open, ControllerConfiguration controller) {
        return mapper.writerWithDefaultPrettyPrinter()
                .writeValueAsBytes(ControllerFile.of(open.plan(), open.state().revision(), controller));
    }

    /** What the controller answers when it is asked at its address, as an OpenAPI document. */
    @GetMapping(path = "/controllers/{unit}/openapi", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> openApi(OpenPlan open, @PathVariable String unit) {
        one(open, unit);
        Map<String, Contract> contracts = Contracts.of(open.plan());
        if (!RequestApi.asked(contracts, unit)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "Nothing on it is asked at its address; it speaks over the broker.");
        }
        return Files.download(
                open.plan(), unit + ".openapi.json", MediaType.APPLICATION_JSON, requests(open, unit, contracts));
    }

    private byte[] requests(OpenPlan open, String unit, Map<String, Contract> contracts) {
        return mapper.writerWithDefaultPrettyPrinter()
                .writeValueAsBytes(
                        RequestApi.of(open.plan(), unit, contracts, open.state().revision(), mapper));
    }

    /** The controller on paper, for the door of its box. */
    @GetMapping(path = "/controllers/{unit}/sheet", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> sheet(OpenPlan open, @PathVariable String unit) {
        byte[] pdf = paper.pdf(one(open, unit), open.plan(), open.state().revision(), LocalDate.now());
        return Files.download(open.plan(), unit + ".pdf", MediaType.APPLICATION_PDF, pdf);
    }

    /** The templates that come along, by name. */
    @GetMapping("/templates")
    Map<String, String> templates(OpenPlan open) {
        return templates.texts();
    }

    /** The controller by a template that comes along. */
    @GetMapping("/controllers/{unit}/written")
    Written written(OpenPlan open, @PathVariable String unit, @RequestParam(defaultValue = "header") String template) {
        String text = templates.texts().get(template);
        if (text == null) {
            throw Refusal.invalid(
                    "There is no such template.",
                    List.of(new Problem(
                            "/template",
                            "is none of " + String.join(", ", templates.texts().keySet()))));
        }
        return byTemplate(open, unit, text);
    }

    private Written byTemplate(OpenPlan open, String unit, String text) {
        return new Written(templates.written(
                text, one(open, unit), open.plan().name(), open.state().revision()));
    }

    /** The controller by a person's own template; nothing is stored. */
    @PostMapping("/controllers/{unit}/written")
    Written writtenByOwn(OpenPlan open, @PathVariable String unit, @RequestBody OwnTemplate own) {
        if (own.template() == null || own.template().length() > ControllerTemplates.LARGEST_TEMPLATE) {
            throw Refusal.invalid(
                    "The template cannot be used.",
                    List.of(new Problem(
                            "/template",
                            "must be a text of at most " + ControllerTemplates.LARGEST_TEMPLATE + " letters")));
        }
        return byTemplate(open, unit, own.template());
    }

    /** All controllers, each as a file, by every template that comes along, and on paper. */
    @GetMapping(path = "/controllers/zip", produces = "application/zip")
    ResponseEntity<byte[]> zip(OpenPlan open) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Map<String, Contract> contracts = Contracts.of(open.plan());
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            for (ControllerConfiguration controller : all(open).values()) {
                entry(zip, controller.unit() + "/" + controller.unit() + ".controller.json", json(open, controller));
                if (RequestApi.asked(contracts, controller.unit())) {
                    entry(
                            zip,
                            controller.unit() + "/" + controller.unit() + ".openapi.json",
                            requests(open, controller.unit(), contracts));
                }
                for (Map.Entry<String, String> standard : ControllerTemplates.STANDARD.entrySet()) {
                    String text = templates.written(
                            templates.texts().get(standard.getKey()),
                            controller,
                            open.plan().name(),
                            open.state().revision());
                    entry(
                            zip,
                            controller.unit() + "/" + controller.unit() + "." + standard.getValue(),
                            text.getBytes(StandardCharsets.UTF_8));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return Files.download(
                open.plan(), "controllers.zip", MediaType.parseMediaType("application/zip"), out.toByteArray());
    }

    private static void entry(ZipOutputStream zip, String name, byte[] content) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(content);
        zip.closeEntry();
    }
}
