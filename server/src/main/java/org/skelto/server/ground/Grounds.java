package org.skelto.server.ground;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.ground.GridPaths;
import org.skelto.core.ground.HeightFile;
import org.skelto.core.ground.Relief;
import org.skelto.core.ground.Unreadable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.GeoPoint;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.site.SiteModel;
import org.skelto.server.people.Person;
import org.skelto.server.plans.DerivedEdit;
import org.skelto.server.plans.ExportSizes;
import org.skelto.server.plans.PlanAttachment;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The heights around plans; they travel with an exported plan as an ASCII grid. */
@Service
@Transactional
public class Grounds implements PlanAttachment, DerivedEdit {
    private static final int LONGEST_NAME = 120;

    /** Points of all grids that are kept read, 8 bytes each. */
    private static final long MOST_KEPT = 6_000_000;

    private final GroundRepository repository;
    private final JsonMapper mapper;
    private final ExportSizes sizes;

    /** Grids that were read last. */
    private final Cache<UUID, Kept> kept = Caffeine.newBuilder()
            .maximumWeight(MOST_KEPT)
            .weigher((UUID id, Kept one) -> one.heights().heightM().length)
            .executor(Runnable::run)
            .build();

    private record Kept(byte[] content, HeightFile.Heights heights) {}

    Grounds(GroundRepository repository, JsonMapper mapper, ExportSizes sizes) {
        this.sizes = sizes;
        this.repository = repository;
        this.mapper = mapper;
    }

    /**
     * What is known of the ground of a plan.
     *
     * @param filled heights that were missing and taken from their neighbours
     * @param westM of the grid on the site; null when degrees have no origin to go by, as are the others
     */
    @RecordBuilder
    public record GroundInfo(
            String name,
            boolean degrees,
            int columns,
            int rows,
            int filled,
            @Nullable Double westM,
            @Nullable Double southM,
            @Nullable Double eastM,
            @Nullable Double northM,
            double lowestM,
            double highestM)
            implements GroundsGroundInfoBuilder.With {}

    /** Takes in a file in place of what was there. */
    public GroundInfo put(Person who, UUID id, Plan plan, String name, byte[] file) {
        String called = name == null || name.isBlank() ? "heights" : name.strip();
        if (called.length() > LONGEST_NAME || called.chars().anyMatch(c -> c < ' ' || c == '/' || c == '\\')) {
            throw refused("/name", "must be a file name of at most " + LONGEST_NAME + " characters");
        }
        HeightFile.Heights heights;
        try {
            heights = HeightFile.read(called, file, plan.place());
        } catch (Unreadable e) {
            throw refused(e.place(), e.getMessage());
        }
        byte[] content = packed(HeightFile.write(heights));
        sizes.makeRoom(id, exported(content.length) - size(id), "these heights");
        repository.save(new GroundEntity(
                who, id, called, heights.degrees(), heights.columns(), heights.rows(), heights.filled(), content));
        return info(plan, called, heights);
    }

    private static Refusal refused(String place, String message) {
        return Refusal.invalid(
                "The heights cannot be taken in. What was there is kept.", List.of(new Problem(place, message)));
    }

    private static byte[] packed(String text) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(out)) {
            gzip.write(text.getBytes(StandardCharsets.US_ASCII));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** Unpacks at most as much as a file may hold. */
    private static byte[] unpacked(byte[] content) throws IOException {
        try (GZIPInputStream gzip = new GZIPInputStream(new ByteArrayInputStream(content))) {
            byte[] text = gzip.readNBytes(HeightFile.MOST_BYTES + 1);
            if (text.length > HeightFile.MOST_BYTES) {
                throw new IOException("too large");
            }
            return text;
        }
    }

    private static GroundInfo info(Plan plan, String name, HeightFile.Heights h) {
        float low = Float.POSITIVE_INFINITY;
        float high = Float.NEGATIVE_INFINITY;
        for (float z : h.heightM()) {
            low = Math.min(low, z);
            high = Math.max(high, z);
        }
        ElevationGrid grid = h.degrees() && plan.place() == null ? null : h.on(plan.place());
        return GroundsGroundInfoBuilder.builder()
                .name(name)
                .degrees(h.degrees())
                .columns(h.columns())
                .rows(h.rows())
                .filled(h.filled())
                .westM(grid == null ? null : Double.valueOf(grid.westM()))
                .southM(grid == null ? null : Double.valueOf(grid.southM()))
                .eastM(grid == null ? null : Double.valueOf(grid.x(grid.columns() - 1)))
                .northM(grid == null ? null : Double.valueOf(grid.y(grid.rows() - 1)))
                .lowestM(low)
                .highestM(high)
                .build();
    }

    /** What is known of the ground of a plan, if there is any. */
    @Transactional(readOnly = true)
    public Optional<GroundInfo> info(UUID id, Plan plan) {
        return repository.findById(id).map(g -> info(plan, g.name, heights(g)));
    }

    /** Lines of equal height around what stands on a site; none while there are no heights. */
    public Relief relief(UUID id, SiteModel site) {
        return grid(id, site.plan().place())
                .map(grid -> Relief.of(site, grid))
                .orElseGet(() -> new Relief(1, List.of()));
    }

    /** The grid of a plan on its site, if there is any and the site knows where it lies. */
    @Transactional(readOnly = true)
    public Optional<ElevationGrid> grid(UUID id, GeoPoint origin) {
        return repository
                .findById(id)
                .map(this::heights)
                .filter(h -> !h.degrees() || origin != null)
                .map(h -> h.on(origin));
    }

    @Override
    @Transactional(readOnly = true)
    public Plan follow(UUID id, Plan before, Plan after) {
        List<String> moved = GridPaths.moved(before, after);
        return moved.isEmpty()
                ? after
                : grid(id, after.place())
                        .map(g -> GridPaths.anew(before, after, moved, g))
                        .orElse(after);
    }

    private HeightFile.Heights heights(GroundEntity g) {
        return kept.asMap()
                .compute(
                        g.planId,
                        (id, known) -> known != null && Arrays.equals(known.content(), g.content)
                                ? known
                                : new Kept(g.content, read(g)))
                .heights();
    }

    private static HeightFile.Heights read(GroundEntity g) {
        try {
            return HeightFile.read("stored.asc", unpacked(g.content), null);
        } catch (IOException | Unreadable e) {
            throw new IllegalStateException("stored heights cannot be read", e);
        }
    }

    /** The heights as an ASCII grid. */
    @Transactional(readOnly = true)
    public byte[] file(UUID id) {
        GroundEntity g = repository
                .findById(id)
                .orElseThrow(() -> Refusal.of(HttpStatus.NOT_FOUND, "The plan has no heights of the ground yet."));
        try {
            return unpacked(g.content);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public void remove(UUID id) {
        repository.deleteById(id);
    }

    @Override
    public String property() {
        return "ground";
    }

    @Override
    public JsonNode schema(Function<Class<?>, JsonNode> records) {
        ObjectNode ground = mapper.createObjectNode();
        ground.put("description", "Heights around the site: an ASCII grid, gzip, base64.");
        ground.put("type", "object").put("additionalProperties", false);
        ground.putArray("required").add("name").add("asciiGridGzip");
        ObjectNode properties = ground.putObject("properties");
        properties.putObject("name").put("type", "string").put("maxLength", LONGEST_NAME);
        properties.putObject("filled").put("type", "integer").put("minimum", 0);
        properties.putObject("asciiGridGzip").put("type", "string").put("contentEncoding", "base64");
        return ground;
    }

    @Override
    public JsonNode export(UUID plan) {
        return repository
                .findById(plan)
                .map(g -> (JsonNode) mapper.createObjectNode()
                        .put("name", g.name)
                        .put("filled", g.filled)
                        .put("asciiGridGzip", Base64.getEncoder().encodeToString(g.content)))
                .orElse(null);
    }

    /** Base64, name and the rest. */
    private static long exported(long bytes) {
        return (bytes + 2) / 3 * 4 + 600;
    }

    @Override
    @Transactional(readOnly = true)
    public long size(UUID plan) {
        return repository.bytes(plan).map(Grounds::exported).orElse(0L);
    }

    @Override
    public void purge(UUID plan) {
        repository.deleteByPlanId(plan);
    }

    @Override
    @Transactional(propagation = Propagation.SUPPORTS)
    public BiConsumer<Person, UUID> prepare(JsonNode content) {
        if (!(content instanceof ObjectNode ground)
                || !ground.path("name").isString()
                || ground.path("name").asString().length() > LONGEST_NAME
                || ground.size() > 3) {
            throw carried("", "must hold name, filled and asciiGridGzip");
        }
        byte[] packed;
        HeightFile.Heights heights;
        try {
            packed = Base64.getDecoder().decode(ground.path("asciiGridGzip").asString(""));
            heights = HeightFile.read("carried.asc", unpacked(packed), null);
        } catch (IllegalArgumentException e) {
            throw carried("/asciiGridGzip", "is not base64");
        } catch (IOException e) {
            throw carried("/asciiGridGzip", "is no gzip of a size that is taken here");
        } catch (Unreadable e) {
            throw carried("/asciiGridGzip" + e.place(), e.getMessage());
        }
        int filled = ground.path("filled").isInt() ? ground.path("filled").asInt() : heights.filled();
        return (who, plan) -> repository.save(new GroundEntity(
                who,
                plan,
                ground.path("name").asString(),
                heights.degrees(),
                heights.columns(),
                heights.rows(),
                Math.max(0, filled),
                packed));
    }

    private static Refusal carried(String place, String message) {
        return Refusal.invalid(
                "The heights of this file cannot be taken. Nothing was changed.",
                List.of(new Problem("/ground" + place, message)));
    }
}
