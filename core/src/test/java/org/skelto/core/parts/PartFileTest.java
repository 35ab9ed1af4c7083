package org.skelto.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PartFileTest {
    private static final String HEAD = "id,name,kind,price,supplyV,busPf,traits,pins\n";

    @Test
    void theBuiltInCatalogueHasEveryKindAndTheSizesThatPeopleBuild() {
        Catalogue built = Catalogue.builtIn();
        assertTrue(built.all().size() >= 60, () -> built.all().size() + " parts");
        Set<PartKind> kinds = EnumSet.noneOf(PartKind.class);
        built.all().forEach(p -> kinds.add(p.kind()));
        assertEquals(EnumSet.allOf(PartKind.class), kinds);
        List<Long> pins = built.all(PartKind.BOARD).stream()
                .map(p -> p.pins().stream()
                        .filter(Pin::usable)
                        .filter(pin -> !pin.can(Pin.Ability.CONSOLE))
                        .count())
                .toList();
        assertTrue(pins.contains(2L) && pins.stream().anyMatch(n -> n >= 30), pins::toString);
        // what eats power says how much, what gives it says how much it can
        for (Part part : built.all()) {
            if (part.kind() == PartKind.BOARD || part.kind() == PartKind.HUB_COMPUTER) {
                assertTrue(part.figure(Quantity.PEAK_A, 0) >= part.figure(Quantity.TYPICAL_A, 1), part::id);
            }
            if (part.kind() == PartKind.SUPPLY || part.kind() == PartKind.CONVERTER) {
                assertTrue(
                        part.figure(Quantity.RATED_A).isPresent()
                                && part.figure(Quantity.OUTPUT_V).isPresent(),
                        part::id);
            }
        }
    }

    @Test
    void whatIsWrittenIsReadBackWithoutLoss() throws PartFile.Unreadable {
        List<Part> parts = new ArrayList<>(Catalogue.builtIn().all());
        assertEquals(parts, PartFile.read(PartFile.write(parts)));
        assertEquals(parts, PartFile.read("\uFEFF" + PartFile.write(parts)));
    }

    @Test
    void anIndependentReaderSeesOneRecordForEachPart() throws Exception {
        List<Part> parts = new ArrayList<>(Catalogue.builtIn().all());
        List<CSVRecord> records = CSVFormat.EXCEL
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(PartFile.write(parts)))
                .getRecords();
        assertEquals(parts.size(), records.size());
        assertEquals(parts.get(0).name(), records.get(0).get("name"));
    }

    /** A cell that a spreadsheet would run must neither be run by it nor change on its way through. */
    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+cmd", "-2 ways", "@sum", "'quoted", "''twice", "plain = not"})
    void cellsThatLookLikeFormulasAreText(String name) throws PartFile.Unreadable {
        Part part = PartBuilder.builder()
                .id("x")
                .name(name)
                .kind(PartKind.SENSOR)
                .supplier(name)
                .price(1.5)
                .leadDays(2)
                .build();
        String file = PartFile.write(List.of(part));
        assertEquals(List.of(part), PartFile.read(file));
        for (String cell : file.split("\n")[1].split(",")) {
            assertTrue(!cell.startsWith("=") && !cell.startsWith("@") && !cell.startsWith("\"="), file);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "name,kind¶a,SENSOR | /line 1/id",
                "id,name,kind,colour¶a,b,SENSOR,red | /line 1/colour",
                "id,name,kind,price¶a,b,SENSOR,cheap | /line 2/price",
                "id,name,kind,price¶a,b,SENSOR,-3 | /line 2/price",
                "id,name,kind,supplyV¶a,b,SENSOR,5 mV | /line 2/supplyV",
                "id,name,kind,supplyV¶a,b,SENSOR,1e999 | /line 2/supplyV",
                "id,name,kind,typicalA¶a,b,SENSOR,-0.2 | /line 2/typicalA",
                "id,name,kind¶A b,b,SENSOR | /line 2/id",
                "id,name,kind¶a,b,GADGET | /line 2/kind",
                "id,name,kind¶a,b,SENSOR¶a,c,SENSOR | /line 3/id",
                "id,name,kind,traits¶a,b,SENSOR,shiny | /line 2/traits",
                "id,name,kind,pins¶a,b,BOARD,G0 in out; G0 in | /line 2/pins",
                "id,name,kind,pins¶a,b,BOARD,G0 fly | /line 2/pins",
                "id,name,kind¶a,b | /line 2/"
            })
    void namesTheLineAndTheColumnThatIsWrong(String file, String place) {
        PartFile.Unreadable wrong =
                assertThrows(PartFile.Unreadable.class, () -> PartFile.read(file.replace("¶", "\n")));
        assertEquals(place, wrong.problems().get(0).pointer());
    }

    @Test
    void aUnitBehindANumberIsReadWhenItIsTheColumnsOwn() throws PartFile.Unreadable {
        Part part = PartFile.read(HEAD + "a,b,BOARD,2.5,5 V,12 pF,bus,G1 in out low:0.25\n")
                .get(0);
        assertEquals(5, part.figure(Quantity.SUPPLY_V, 0));
        assertEquals(12, part.figure(Quantity.BUS_PF, 0));
        assertEquals(0.25, part.pin("G1").orElseThrow().lowS());
    }

    @Test
    void aHundredThousandRowsAreRefusedAtOnce() {
        StringBuilder file = new StringBuilder("id,name,kind\n");
        for (int i = 0; i < 100_000; i++) {
            file.append("p-").append(i).append(",part,SENSOR\n");
        }
        PartFile.Unreadable wrong = assertThrows(PartFile.Unreadable.class, () -> PartFile.read(file.toString()));
        assertEquals("/line 2002", wrong.problems().get(0).pointer());
        assertEquals(1, wrong.problems().size());
    }
}
