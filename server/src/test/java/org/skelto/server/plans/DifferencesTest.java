package org.skelto.server.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import jakarta.json.JsonArray;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonValue;
import jakarta.json.spi.JsonProvider;
import java.io.StringReader;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DifferencesTest {
    private static final JsonProvider JSON = JsonProvider.provider();

    private static JsonObject read(String text) {
        return JSON.createReader(new StringReader(text.replace('\'', '"'))).readObject();
    }

    private static JsonValue any(Random random, int depth) {
        return switch (random.nextInt(depth > 3 ? 3 : 5)) {
            case 0 -> JSON.createValue(random.nextInt(4));
            case 1 -> JSON.createValue("t" + random.nextInt(4));
            case 2 -> random.nextBoolean() ? JsonValue.NULL : JsonValue.TRUE;
            case 3 -> object(random, depth + 1);
            default -> {
                JsonArrayBuilder array = JSON.createArrayBuilder();
                for (int i = random.nextInt(random.nextInt(10) == 0 ? 60 : 6); i > 0; i--) {
                    array.add(any(random, depth + 1));
                }
                yield array.build();
            }
        };
    }

    private static JsonObject object(Random random, int depth) {
        JsonObjectBuilder object = JSON.createObjectBuilder();
        for (int i = random.nextInt(7); i > 0; i--) {
            object.add(random.nextInt(6) == 0 ? "a/~b" : "k" + random.nextInt(8), any(random, depth));
        }
        return object.build();
    }

    /** Something like it: what a person does to a document. */
    private static JsonValue changed(JsonValue value, Random random) {
        if (random.nextInt(12) == 0) {
            return any(random, 2);
        }
        if (value instanceof JsonObject object) {
            JsonObjectBuilder like = JSON.createObjectBuilder();
            object.forEach((key, v) -> {
                if (random.nextInt(9) > 0) {
                    like.add(key, changed(v, random));
                }
            });
            return (random.nextInt(5) == 0 ? like.add("new", any(random, 2)) : like).build();
        }
        if (value instanceof JsonArray array) {
            JsonArrayBuilder like = JSON.createArrayBuilder();
            array.forEach(v -> {
                if (random.nextInt(9) > 0) {
                    like.add(changed(v, random));
                }
                if (random.nextInt(9) == 0) {
                    like.add(any(random, 3));
                }
            });
            return like.build();
        }
        return value;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void whatItTellsMakesOneOfTheOtherAndBack(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 300; i++) {
            JsonObject one = object(random, 0);
            JsonObject other = changed(one, random) instanceof JsonObject o ? o : object(random, 0);
            assertEquals(
                    other,
                    JSON.createPatch(Differences.between(JSON, one, other)).apply(one));
            assertEquals(
                    one, JSON.createPatch(Differences.between(JSON, other, one)).apply(other));
        }
    }

    @Test
    void aSmallChangeIsToldSmall() {
        JsonObject one = read("{'a':[{'x':1,'y':1},{'x':2},{'x':3}],'b':1}");
        assertEquals(
                0,
                Differences.between(JSON, one, read("{'a':[{'x':1,'y':1},{'x':2},{'x':3}],'b':1}"))
                        .size());
        assertEquals(
                "[{\"op\":\"replace\",\"path\":\"/a/1/x\",\"value\":7}]",
                Differences.between(JSON, one, read("{'a':[{'x':1,'y':1},{'x':7},{'x':3}],'b':1}"))
                        .toString());
        assertEquals(
                "[{\"op\":\"remove\",\"path\":\"/a/0\"}]",
                Differences.between(JSON, one, read("{'a':[{'x':2},{'x':3}],'b':1}"))
                        .toString());
    }

    /** Two lists of twenty thousand that have nothing in common: the product of their lengths would be 400 million steps. */
    @Test
    void aLongListThatChangedThroughoutIsToldAsOne() {
        JsonArrayBuilder one = JSON.createArrayBuilder();
        JsonArrayBuilder other = JSON.createArrayBuilder();
        for (int i = 0; i < 20_000; i++) {
            one.add(i);
            other.add(-i - 1);
        }
        JsonArray told = Differences.between(
                JSON,
                JSON.createObjectBuilder().add("l", one).build(),
                JSON.createObjectBuilder().add("l", other).build());
        assertEquals(1, told.size());
    }

    @Test
    void sizesOfNestedCopiesAreKnownWithoutWritingThem() {
        JsonArray doubled = JSON.createArrayBuilder().add("x".repeat(1000)).build();
        for (int i = 0; i < 80; i++) {
            doubled = JSON.createArrayBuilder().add(doubled).add(doubled).build();
        }
        assertTrue(new DocumentSizes(null).of(doubled) > 1e15);
        JsonObject plain = read("{'ab':['cd',1,true],'e':{}}");
        assertEquals(plain.toString().length(), new DocumentSizes(null).of(plain), 24);
    }
}
