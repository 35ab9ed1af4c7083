package org.skelto.core.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.OwnedPart;
import org.skelto.core.plan.equipment.SpokenGroup;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Otherwise;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;
import org.skelto.core.plan.network.Credential;
import org.skelto.core.plan.network.Demand;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.network.Network;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.radio.Calibration;
import org.skelto.core.plan.radio.IndoorModel;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.rules.HouseState;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Cable;
import org.skelto.core.plan.site.Construction;
import org.skelto.core.plan.site.Constructions;
import org.skelto.core.plan.site.Fitting;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.GeoPoint;
import org.skelto.core.plan.site.Housing;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.Route;
import org.skelto.core.plan.site.Spot;
import org.skelto.core.plan.site.Stairwell;
import org.skelto.core.plan.site.WallWork;
import org.skelto.core.plan.survival.FailureKind;
import org.skelto.core.plan.survival.FailureRate;
import org.skelto.core.plan.survival.Promise;

/**
 * A whole plan. The maps are sorted by id and unmodifiable; null maps become empty ones.
 *
 * @param format always {@value #FORMAT}
 * @param name what the person calls it, 1 to 120 characters
 * @param region whose radio law applies
 * @param mainsVoltageV nominal mains voltage in volts, 50 to 480, or null when not known yet
 * @param place where on earth, or null when not known yet
 * @param network address pools and the topic root
 * @param cautionsRead whether the person has acknowledged the cautions about mains work
 * @param accepted snags taken as they are: snag key to the reason given
 * @param constructions the plan's own walls and slabs, which may replace built-in ones of the same id
 * @param openings doors, windows and gaps
 * @param stairwells openings in slabs
 * @param fittings outlets, data points and wiring centres that are there already
 * @param cables cables that are in the walls already
 * @param routes ways that cables may follow
 * @param owned parts in the drawer
 * @param wallWork whether and when the walls close, or null when nobody said
 * @param demands places where handsets and phones must work
 * @param indoorModel how loss inside a building is predicted
 * @param calibration what readings taught, or null
 * @param housings wall boxes and enclosures
 * @param cautions those that were acknowledged, with the day or how
 * @param money what the plan may cost
 * @param paths the ground under long radio links
 * @param measures in what lengths are typed and shown
 * @param language that the house is spoken to in, by ISO 639-1, or null for English
 * @param rules what the house does on its own
 * @param state what rules know of the house besides its devices
 * @param spokenGroups devices that are spoken to together
 * @param promises what has to work though something is out
 * @param failureRates how often things fail, where that is known better than what is usual
 * @param credentials what is known of the secrets of the house, by their keys; never the secrets themselves
 */
@RecordBuilder
public record Plan(
        @Matches(value = Plan.FORMAT, says = "is not a format this version reads; it reads \"" + Plan.FORMAT + "\"")
        String format,

        @Name String name,
        Region region,

        @Nullable @Within(least = 50, most = 480, unit = "V")
        Double mainsVoltageV,

        @Nullable GeoPoint place,

        @Otherwise("192.168.40.0/24 with topics under house")
        Network network,

        boolean cautionsRead,
        @Count(most = 60) Map<@Id String, Building> buildings,
        @Count(most = 100) Map<@Id String, Floor> floors,
        @Count(most = Limits.ROOMS) Map<@Id String, Room> rooms,
        @Count(most = Limits.SPOTS) Map<@Id String, Spot> spots,
        @Count(most = 200) Map<@Id String, Circuit> circuits,
        @Count(most = 100) Map<@Id String, Service> services,
        @Count(most = Limits.UNITS) Map<@Id String, Unit> units,
        @Count(most = 3000) Map<@Id String, Device> devices,
        @Count(most = 3000) Map<@Id String, Link> links,

        @Count(most = 3000)
        Map<@Words(most = Limits.TEXT_LENGTH) String, @Words(most = Limits.TEXT_LENGTH) String> accepted,

        @Count(most = Limits.CONSTRUCTIONS) Map<@Id String, Construction> constructions,
        @Count(most = 3000) Map<@Id String, Opening> openings,
        @Count(most = 300) Map<@Id String, Stairwell> stairwells,
        @Count(most = 3000) Map<@Id String, Fitting> fittings,
        @Count(most = 3000) Map<@Id String, Cable> cables,
        @Count(most = 500) Map<@Id String, Route> routes,
        @Count(most = 1000) Map<@Id String, OwnedPart> owned,
        @Nullable WallWork wallWork,
        @Count(most = 500) Map<@Id String, Demand> demands,
        @Otherwise("WALLS") IndoorModel indoorModel,
        @Nullable Calibration calibration,
        @Count(most = 1000) Map<@Id String, Housing> housings,
        Map<Caution, @Words(most = Limits.NAME_LENGTH) String> cautions,
        @Otherwise("EUR without a budget") Money money,
        @Count(most = 100) Map<@Id String, RadioPath> paths,
        @Otherwise("METRIC") Measures measures,

        @Nullable @Matches(value = "[a-z]{2}", says = "is not a language of two small letters such as en")
        String language,

        @Count(most = 3000) Map<@Id String, Credential> credentials,
        @Count(most = 200) Map<@Id String, SpokenGroup> spokenGroups,
        @Count(most = 2000) Map<@Id String, Rule> rules,
        @Otherwise("nothing said yet") HouseState state,
        @Count(most = 100) Map<@Id String, Promise> promises,
        Map<FailureKind, FailureRate> failureRates)
        implements PlanBuilder.With {

    /** The only format this version reads and writes. */
    public static final String FORMAT = "skelto-plan/1";

    public Plan {
        network = network == null ? Network.standard("house") : network;
        buildings = Copies.sorted(buildings);
        floors = Copies.sorted(floors);
        rooms = Copies.sorted(rooms);
        spots = Copies.sorted(spots);
        circuits = Copies.sorted(circuits);
        services = Copies.sorted(services);
        units = Copies.sorted(units);
        devices = Copies.sorted(devices);
        links = Copies.sorted(links);
        accepted = Copies.sorted(accepted);
        constructions = Copies.sorted(constructions);
        openings = Copies.sorted(openings);
        stairwells = Copies.sorted(stairwells);
        fittings = Copies.sorted(fittings);
        cables = Copies.sorted(cables);
        routes = Copies.sorted(routes);
        owned = Copies.sorted(owned);
        demands = Copies.sorted(demands);
        indoorModel = indoorModel == null ? IndoorModel.WALLS : indoorModel;
        housings = Copies.sorted(housings);
        cautions = Copies.sorted(cautions);
        money = money == null ? Money.USUAL : money;
        paths = Copies.sorted(paths);
        measures = measures == null ? Measures.METRIC : measures;
        credentials = Copies.sorted(credentials);
        spokenGroups = Copies.sorted(spokenGroups);
        rules = Copies.sorted(rules);
        state = state == null ? HouseState.NONE : state;
        promises = Copies.sorted(promises);
        failureRates = Copies.sorted(failureRates);
    }

    /** Whether a caution was acknowledged. */
    public boolean acknowledged(Caution caution) {
        return cautions.containsKey(caution) || caution == Caution.MAINS && cautionsRead;
    }

    /** A new plan with one building, one floor and the mains as one circuit, ready to draw in. */
    public static Plan fresh(String name, Region region, @Nullable Double mainsVoltageV, @Nullable GeoPoint place) {
        return PlanBuilder.builder()
                .format(FORMAT)
                .name(name)
                .region(region)
                .mainsVoltageV(mainsVoltageV)
                .place(place)
                .network(Network.standard(Slugs.slug(name, "house")))
                .buildings(Map.of("house", new Building("House", 0, 0, 0)))
                .floors(Map.of("ground", new Floor("house", "Ground floor", 0, 2.5, "timber-floor", null)))
                .circuits(Map.of("mains", new Circuit("Mains")))
                .build();
    }

    /** A new plan under the same law and at the same mains, nowhere on earth yet. */
    public Plan freshLike(String called) {
        return fresh(called, region, mainsVoltageV, null).withMeasures(measures);
    }

    /** The ground between two units, if it is known. */
    public java.util.Optional<RadioPath> path(String one, String other) {
        return paths.values().stream().filter(p -> p.joins(one, other)).findFirst();
    }

    /** One construction of a valid plan: the plan's own, which may replace a built-in one, or a built-in one. */
    public Construction construction(String id) {
        Construction own = constructions.get(id);
        Construction construction = own == null ? Constructions.all().get(id) : own;
        if (construction == null) {
            throw new IllegalArgumentException("unknown construction " + id);
        }
        return construction;
    }

    /** All constructions that it may use, by id. */
    public Map<String, Construction> everyConstruction() {
        Map<String, Construction> all = new LinkedHashMap<>(Constructions.all());
        all.putAll(constructions);
        return all;
    }
}
