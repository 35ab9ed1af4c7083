package org.skelto.server.longrange;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.skelto.core.longrange.FieldTest;
import org.skelto.core.plan.Plan;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.requests.Changes;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Field tests of paths: readings taken by hand or from a table, and what they teach. */
@RestController
@RequestMapping("/api/plans/{id}/long-range")
class FieldTestController {
    private final KeptFigures kept;
    private final FieldReadings readings;

    FieldTestController(KeptFigures kept, FieldReadings readings) {
        this.kept = kept;
        this.readings = readings;
    }

    /** A reading beside its prediction. */
    public record FieldLine(UUID id, FieldTest.FieldCompared compared) {}

    /** The field test of a path. */
    public record FieldReport(List<FieldLine> lines, FieldTest.Lesson lesson) {}

    /** How many readings were stored. */
    public record FieldStored(int readings) {}

    /** The field test of a path, with what it teaches. */
    @GetMapping("/paths/{path}/readings")
    FieldReport readings(OpenPlan open, @PathVariable String path) {
        Plan plan = open.plan();
        Looked.path(plan, path);
        List<FieldReadings.Kept> all = readings.of(open.id(), path);
        FieldTest.Lesson lesson = FieldTest.of(
                plan,
                open.figures().site(),
                kept.tables(),
                path,
                all.stream().map(FieldReadings.Kept::reading).toList(),
                Instant.now().truncatedTo(ChronoUnit.SECONDS).toString());
        List<FieldLine> lines = new ArrayList<>();
        for (int i = 0; i < lesson.readings().size(); i++) {
            lines.add(new FieldLine(all.get(i).id(), lesson.readings().get(i)));
        }
        return new FieldReport(lines, lesson);
    }

    /** Stores readings that were taken by hand. */
    @PostMapping("/paths/{path}/readings")
    @ResponseStatus(HttpStatus.CREATED)
    FieldStored add(
            @Changes OpenPlan open, @PathVariable String path, @RequestBody List<FieldTest.FieldReading> taken) {
        Plan plan = open.plan();
        Looked.path(plan, path);
        readings.add(open.who(), open.id(), plan, path, taken);
        return new FieldStored(taken.size());
    }

    /** Stores readings from a pasted table. */
    @PostMapping(path = "/paths/{path}/readings/csv", consumes = "text/csv")
    @ResponseStatus(HttpStatus.CREATED)
    FieldStored paste(@Changes OpenPlan open, @PathVariable String path, @RequestBody String table) {
        Plan plan = open.plan();
        Looked.path(plan, path);
        List<FieldTest.FieldReading> taken = readings.read(table, plan, path);
        readings.add(open.who(), open.id(), plan, path, taken);
        return new FieldStored(taken.size());
    }

    @GetMapping(path = "/paths/{path}/readings/csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(OpenPlan open, @PathVariable String path) {
        Looked.path(open.plan(), path);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"field-test.csv\"")
                .body(FieldReadings.write(readings.of(open.id(), path)).getBytes(StandardCharsets.UTF_8));
    }

    @DeleteMapping("/readings/{reading}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@Changes OpenPlan open, @PathVariable UUID reading) {
        readings.delete(open.id(), reading);
    }
}
