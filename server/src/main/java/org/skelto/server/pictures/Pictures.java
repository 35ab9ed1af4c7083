package org.skelto.server.pictures;

import java.util.Base64;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.apache.commons.codec.digest.DigestUtils;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.people.Person;
import org.skelto.server.plans.ExportSizes;
import org.skelto.server.plans.PlanAttachment;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionOperations;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The pictures of plans; they travel with an exported plan. */
@Service
@Transactional
class Pictures implements PlanAttachment {
    private static final int MOST = 12;
    private static final String SVG = "image/svg+xml";

    private final PictureRepository repository;
    private final JsonMapper mapper;
    private final PictureReader reader;
    private final ExportSizes sizes;
    private final TransactionOperations transaction;

    Pictures(
            PictureRepository repository,
            JsonMapper mapper,
            PictureReader reader,
            ExportSizes sizes,
            TransactionOperations transaction) {
        this.repository = repository;
        this.mapper = mapper;
        this.reader = reader;
        this.sizes = sizes;
        this.transaction = transaction;
    }

    /** What was stored. */
    public record Stored(String id, int width, int height) {}

    /** Takes in a file; the same content twice is stored once. Reading it takes a while and no transaction. */
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    Stored add(Person who, UUID planId, byte[] file, int page) {
        Picture picture = reader.read(file, page);
        return transaction.execute(status -> store(who, planId, picture));
    }

    private Stored store(Person who, UUID planId, Picture picture) {
        String id = sha256(picture.content());
        boolean known = repository.existsById(new PictureEntity.Key(planId, id));
        if (!known && repository.countByPlanId(planId) >= MOST) {
            throw Refusal.of(HttpStatus.CONFLICT, "A plan may keep " + MOST + " pictures; this one has as many.");
        }
        if (!known) {
            sizes.makeRoom(planId, exported(picture.content().length), "this picture");
            repository.save(new PictureEntity(who, planId, id, picture));
        }
        return new Stored(id, picture.width(), picture.height());
    }

    /** Base64, id and type. */
    private static long exported(long bytes) {
        return (bytes + 2) / 3 * 4 + 140;
    }

    @Override
    @Transactional(readOnly = true)
    public long size(UUID plan) {
        return exported(repository.bytes(plan)) + 160L * repository.countByPlanId(plan);
    }

    @Override
    public void copy(Person who, UUID from, UUID to) {
        repository.copy(from, to, who.id());
    }

    @Override
    public void purge(UUID plan) {
        repository.deleteByPlanId(plan);
    }

    private static String sha256(byte[] content) {
        return HexFormat.of().formatHex(DigestUtils.sha256(content));
    }

    @Transactional(readOnly = true)
    Picture get(UUID planId, String id) {
        return repository
                .findById(new PictureEntity.Key(planId, id))
                .map(p -> SVG.equals(p.mediaType)
                        ? safe(p.content)
                        : new Picture(p.mediaType, p.width, p.height, p.content))
                .orElseThrow(() -> Refusal.of(HttpStatus.NOT_FOUND, "There is no such picture."));
    }

    @Override
    public String property() {
        return "pictures";
    }

    @Override
    public JsonNode schema(Function<Class<?>, JsonNode> records) {
        ObjectNode pictures = mapper.createObjectNode();
        pictures.put("type", "object").put("maxProperties", MOST);
        pictures.putObject("propertyNames").put("pattern", "^[0-9a-f]{64}$");
        ObjectNode picture = pictures.putObject("additionalProperties");
        picture.put("type", "object").put("additionalProperties", false);
        picture.putArray("required").add("mediaType").add("base64");
        ObjectNode properties = picture.putObject("properties");
        properties
                .putObject("mediaType")
                .putArray("enum")
                .add("image/png")
                .add("image/jpeg")
                .add(SVG);
        properties.putObject("base64").put("type", "string").put("contentEncoding", "base64");
        return pictures;
    }

    @Override
    public JsonNode export(UUID plan) {
        ObjectNode all = mapper.createObjectNode();
        for (PictureEntity p : repository.findByPlanIdOrderById(plan)) {
            all.putObject(p.id)
                    .put("mediaType", p.mediaType)
                    .put("base64", Base64.getEncoder().encodeToString(p.content));
        }
        return all.isEmpty() ? null : all;
    }

    /** A drawing is shown as the cleaner of today leaves it, whichever of before let it in. */
    private static Picture safe(byte[] content) {
        try {
            return SvgCleaner.clean(content);
        } catch (UnreadablePicture e) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "The picture cannot be shown: it " + e.getMessage() + ".");
        }
    }

    /** Pictures of a file are read like any other: what it says of them is not believed. */
    @Override
    @Transactional(propagation = Propagation.SUPPORTS)
    public BiConsumer<Person, UUID> prepare(JsonNode content) {
        if (!(content instanceof ObjectNode all) || all.size() > MOST) {
            throw refused("/pictures", "must be at most " + MOST + " pictures by id");
        }
        Map<String, byte[]> files = new TreeMap<>();
        all.properties().forEach(e -> files.put(e.getKey(), bytes(e.getKey(), e.getValue())));
        List<PictureReader.Outcome> read = reader.read(List.copyOf(files.values()));
        Map<String, Picture> pictures = new LinkedHashMap<>();
        for (Map.Entry<String, byte[]> file : files.entrySet()) {
            String at = "/pictures/" + file.getKey();
            PictureReader.Outcome outcome = read.get(pictures.size());
            if (outcome.picture() == null) {
                throw refused(at, outcome.trouble());
            }
            if (!outcome.picture()
                    .mediaType()
                    .equals(all.get(file.getKey()).path("mediaType").asString(""))) {
                throw refused(at + "/mediaType", "is not what the picture is");
            }
            Picture of = outcome.picture();
            // its bytes stay what its id says; a drawing is cleaned whenever it is shown
            pictures.put(file.getKey(), new Picture(of.mediaType(), of.width(), of.height(), file.getValue()));
        }
        return (who, plan) ->
                pictures.forEach((id, picture) -> repository.save(new PictureEntity(who, plan, id, picture)));
    }

    private static byte[] bytes(String id, JsonNode picture) {
        byte[] bytes;
        try {
            bytes = Base64.getDecoder().decode(picture.path("base64").asString(""));
        } catch (IllegalArgumentException e) {
            throw refused("/pictures/" + id, "is not base64");
        }
        if (!sha256(bytes).equals(id)) {
            throw refused("/pictures/" + id, "does not hold what its id says");
        }
        if (bytes.length > PictureDecoder.MOST_BYTES) {
            throw refused("/pictures/" + id, "is larger than a kept picture");
        }
        return bytes;
    }

    private static Refusal refused(String place, String message) {
        return Refusal.invalid(
                "The pictures of this file cannot be taken. Nothing was changed.",
                List.of(new Problem(place, message)));
    }
}
