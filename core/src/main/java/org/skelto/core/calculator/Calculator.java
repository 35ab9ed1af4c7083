package org.skelto.core.calculator;

import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * One calculator: what it asks, what it gives, and how it works.
 *
 * @param name in requests
 * @param title in words
 * @param about what it is for, or what it leaves out
 * @param inputs in reading order
 * @param outputs label and unit of each figure it gives, by name, in reading order
 */
public record Calculator(
        String name,
        String title,
        String about,
        List<Field> inputs,
        Map<String, String> outputs,
        Function<Inputs, Answer> work) {}
