package org.skelto.server.build;

import java.util.List;
import java.util.stream.Collectors;
import org.skelto.core.build.CableLine;
import org.skelto.core.build.PartsList;
import org.skelto.core.parts.PartFile;
import org.skelto.server.tables.Csv;

/** Parts lists and cable schedules as CSV, RFC 4180; cells that a spreadsheet would run are quoted. */
final class Tables {
    private Tables() {}

    /** The parts list; with its prices filled in it can be taken in again. */
    static String parts(PartsList list) {
        return Csv.of(
                new String[] {
                    "part",
                    "name",
                    "supplier",
                    "secondSupplier",
                    "needed",
                    "spare",
                    "owned",
                    "buy",
                    "unit",
                    "price",
                    "cost",
                    "currency",
                    "leadDays",
                    "orderBy",
                    "uses"
                },
                list.lines().stream()
                        .map(l -> new Object[] {
                            l.part(),
                            PartFile.quoted(l.name()),
                            PartFile.quoted(l.supplier()),
                            PartFile.quoted(l.secondSupplier()),
                            l.needed(),
                            l.spare(),
                            l.owned(),
                            l.buy(),
                            l.metres() ? "m" : "pieces",
                            l.price(),
                            l.cost(),
                            list.currency(),
                            l.leadDays(),
                            l.orderBy(),
                            PartFile.quoted(String.join("; ", l.uses()))
                        })
                        .toList());
    }

    /** The cable schedule, a line for each cable. */
    static String cables(List<CableLine> cables) {
        return Csv.of(
                new String[] {"cable", "from", "to", "kind", "lengthM", "inTheWall", "cores", "dropV"},
                cables.stream()
                        .map(c -> new Object[] {
                            c.id(),
                            PartFile.quoted(c.fromName()),
                            PartFile.quoted(c.toName()),
                            PartFile.quoted(c.kind()),
                            c.lengthM(),
                            c.existing(),
                            PartFile.quoted(c.cores().stream()
                                    .map(k -> k.colour() + ": " + k.carries()
                                            + (k.at().isEmpty() ? "" : " (" + k.at() + ")"))
                                    .collect(Collectors.joining("; "))),
                            c.dropV() == null ? null : Math.round(c.dropV() * 1000) / 1000.0
                        })
                        .toList());
    }
}
