package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.DEVICES;
import static org.skelto.core.snags.Stage.SITE;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.site.Constructions;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.RoomUse;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.SiteModel;
import org.skelto.core.site.WallPiece;
import org.skelto.core.snags.Check.Code;
import org.skelto.core.sound.SoundReport;
import org.skelto.core.sound.Sounders;

/** S1 of open outer walls, S4, D10, D12 and D13. */
final class PlaceChecks {
    static final Check CHECK = Check.of(
            "snags of places",
            List.of(
                    Code.of("S1", Stage.SITE, "room is open to the outside", Severity.FIX),
                    Code.of("S4", Stage.SITE, "link through a wall that nobody knows", Severity.LOOK),
                    Code.of("D10", Stage.DEVICES, "alarm or chime not heard where it should be", Severity.FIX),
                    Code.of("D12", Stage.DEVICES, "room without any device", Severity.LOOK),
                    Code.of("D13", Stage.DEVICES, "part not made for where it is", Severity.FIX)),
            List.of(HouseFacts.LINKS, HouseFacts.SOUNDS),
            PlaceChecks::run);

    private PlaceChecks() {}

    static void run(CheckContext c) {
        c.site().walls().forEach(wall -> openOutside(c, wall));
        c.links().values().forEach(report -> unknownWall(c, report));
        c.sounds().values().forEach(report -> sound(c, report));
        emptyRooms(c);
        ratings(c);
    }

    private static void openOutside(CheckContext c, WallPiece wall) {
        if (wall.owners().size() != 1
                || !c.plan.construction(wall.construction()).open()) {
            return;
        }
        String owner = wall.owners().get(0);
        String id = owner.split("/")[2];
        Room room = c.plan.rooms().get(id);
        String usual = room.walls().stream()
                .filter(w -> !c.plan.construction(w).open())
                .findFirst()
                .orElse("brick-110");
        double length = Math.hypot(wall.bxM() - wall.axM(), wall.byM() - wall.ayM());
        c.snag("S1", FIX, SITE, room.name() + " has no wall to the outside")
                .figures(Text.metres(length) + " of its outline are open and lead to no other room")
                .leadsTo("Signal and weather come in where a wall will stand.")
                .at(Pointers.of("rooms", id), owner)
                .fix("Put " + c.plan.construction(usual).name() + " there", Edit.replace(owner, usual))
                .add();
    }

    private static void unknownWall(CheckContext c, LinkReport report) {
        String unknown = c.plan.construction(Constructions.UNKNOWN).name();
        boolean crosses = report.runs().stream()
                .flatMap(r -> r.budget().steps().stream())
                .anyMatch(s -> s.label().equals(unknown));
        if (crosses) {
            c.snag(
                            "S4",
                            LOOK,
                            SITE,
                            "The link of " + c.plan.units().get(report.from()).name()
                                    + " goes through a wall that nobody knows")
                    .figures("counted as brick 110; stone of 600 mm would take far more")
                    .leadsTo("Its margin may be wrong by 10 dB and more.")
                    .at(CheckContext.link(report.link()))
                    .add();
        }
    }

    private static void sound(CheckContext c, SoundReport report) {
        Device device = c.plan.devices().get(report.device());
        List<SoundReport.RoomSound> deaf = report.rooms().stream()
                .filter(room -> room.asked() && !room.enough())
                .toList();
        if (deaf.isEmpty()) {
            return;
        }
        boolean pillow = device.guards() && deaf.stream().anyMatch(r -> r.wakes() != null);
        String rooms = deaf.stream()
                .map(r -> c.plan.rooms().get(r.room()).name())
                .reduce((a, b) -> a + " and " + b)
                .orElse("");
        SoundReport.RoomSound worst = deaf.get(deaf.size() - 1);
        double wanted = device.guards() && worst.wakes() != null ? Sounders.PILLOW_DB : worst.dayNeedDb();
        c.snag("D10", FIX, DEVICES, device.name() + " is not heard in " + rooms)
                .figures("in " + c.plan.rooms().get(worst.room()).name() + " "
                        + Text.number(worst.levelDb(), 0) + " dB(A) arrive"
                        + (worst.through().isEmpty() ? "" : " through " + String.join(", ", worst.through()))
                        + "; wanted " + Text.number(wanted, 0) + " dB(A)"
                        + (report.assumed() ? "; its loudness is a usual one, not known" : ""))
                .leadsTo(pillow ? "Who sleeps there sleeps on." : "Nobody there knows that it rings.")
                .at(CheckContext.device(report.device()))
                .add();
    }

    private static void emptyRooms(CheckContext c) {
        Set<String> used = new HashSet<>();
        c.plan.units().values().forEach(u -> add(used, u.place()));
        c.plan.devices().values().forEach(d -> add(used, SiteModel.placeOf(c.plan, d)));
        if (c.plan.devices().isEmpty()) {
            return;
        }
        c.plan.rooms().forEach((id, room) -> {
            boolean wanted = room.use() != RoomUse.STORE && room.use() != RoomUse.PASSAGE;
            if (wanted && !used.contains(id)) {
                c.snag("D12", LOOK, DEVICES, room.name() + " has no device")
                        .figures("0 devices, 0 units")
                        .leadsTo("Forgotten, or meant to be plain?")
                        .at(Pointers.of("rooms", id))
                        .add();
            }
        });
    }

    private static void add(Set<String> used, Place place) {
        if (place != null && place.room() != null) {
            used.add(place.room());
        }
    }

    private static void ratings(CheckContext c) {
        c.plan.units().forEach((id, u) -> rating(c, CheckContext.unit(id), u.name(), u.rating(), u.place()));
        c.plan.devices().forEach((id, d) -> rating(c, CheckContext.device(id), d.name(), d.rating(), d.place()));
    }

    private static void rating(CheckContext c, String at, String name, Exposure rating, Place place) {
        if (rating == null || place == null) {
            return;
        }
        Exposure there = place.room() != null
                ? c.plan.rooms().get(place.room()).exposure()
                : place.spot() != null ? c.plan.spots().get(place.spot()).exposure() : Exposure.DRY;
        if (there.compareTo(rating) > 0) {
            c.snag("D13", FIX, DEVICES, name + " is not made for where it is")
                    .figures("made for " + Wording.words(rating) + " places; there it is " + Wording.words(there))
                    .leadsTo("It corrodes, or stops in the first winter.")
                    .at(at)
                    .add();
        }
    }
}
