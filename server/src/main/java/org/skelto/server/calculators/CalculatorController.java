package org.skelto.server.calculators;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.skelto.core.calculator.Answer;
import org.skelto.core.calculator.Calculators;
import org.skelto.core.calculator.Curve;
import org.skelto.core.calculator.Field;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Works calculators by name; the same code as plans are judged with. */
@RestController
@RequestMapping("/api/calculators")
class CalculatorController {
    @GetMapping
    Set<String> names() {
        return Calculators.names();
    }

    /** What a calculator asks and gives. */
    public record CalculatorForm(
            String name, String title, String about, List<Field> inputs, Map<String, String> outputs) {}

    /** All calculators with what they ask, in the order in which they are offered. */
    @GetMapping("/forms")
    List<CalculatorForm> forms() {
        return Calculators.all().stream()
                .map(c -> new CalculatorForm(c.name(), c.title(), c.about(), c.inputs(), c.outputs()))
                .toList();
    }

    /** Inputs, and the one that is varied. */
    public record CurveQuestion(Map<String, Object> inputs, String over) {}

    /** What a calculator answers around the value of one of its inputs. */
    @PostMapping("/{name}/curve")
    Curve curve(@PathVariable String name, @RequestBody CurveQuestion asked) {
        known(name);
        if (asked.inputs() == null || asked.over() == null) {
            throw Refusal.invalid(
                    "There is no curve without its inputs.",
                    List.of(new Problem(asked.inputs() == null ? "/inputs" : "/over", "is missing")));
        }
        return Curve.of(name, asked.inputs(), asked.over());
    }

    private static void known(String name) {
        if (!Calculators.names().contains(name)) {
            throw Refusal.of(
                    HttpStatus.NOT_FOUND, "There is no such calculator; there are " + Calculators.names() + ".");
        }
    }

    /** Figures come flat beside formula and source, under the names that the calculator gives them. */
    @PostMapping("/{name}")
    Map<String, Object> work(@PathVariable String name, @RequestBody Map<String, Object> in) {
        known(name);
        Answer answer = Calculators.work(name, in);
        Map<String, Object> body = new java.util.TreeMap<>(answer.out());
        body.put("out", answer.out());
        body.put("formula", answer.formula());
        body.put("source", answer.source());
        body.put("extrapolated", answer.extrapolated());
        return body;
    }
}
