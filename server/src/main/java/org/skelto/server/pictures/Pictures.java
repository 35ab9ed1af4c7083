package org.skelto.server.pictures;

import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.apache.commons.codec.digest.DigestUtils;
import org.skelto.core.plan.Problem;
import org.skelto.server.plans.Carried;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The pictures of plans; they travel with an exported plan. */
@Service
@Transactional
class Pictures implements Carried {
    /** Bytes of a kept picture at most. */
    static final int MOST_BYTES = 2_500_000;

    private static final int MOST = 12;

    private final PictureRepository repository;
    private final JsonMapper mapper;
    private final PictureReader reader = new PictureReader();

    Pictures(PictureRepository repository, JsonMapper mapper) {
        this.repository = repository;
        this.mapper = mapper;
    }

    /** What was stored. */
    public record Stored(String id, int width, int height) {}

    /** Takes in a file; the same content twice is stored once. */
    Stored add(UUID planId, byte[] file, int page) {
        Picture picture = reader.read(file, page);
        return store(planId, picture);
    }

    private Stored store(UUID planId, Picture picture) {
        String id = sha256(picture.content());
        boolean known = repository.existsById(new PictureEntity.Key(planId, id));
        if (!known && repository.countByPlanId(planId) >= MOST) {
            throw Refusal.of(HttpStatus.CONFLICT, "A plan may keep " + MOST + " pictures; this one has as many.");
        }
        repository.save(new PictureEntity(planId, id, picture));
        return new Stored(id, picture.width(), picture.height());
    }

    private static String sha256(byte[] content) {
        return HexFormat.of().formatHex(DigestUtils.sha256(content));
    }

    @Transactional(readOnly = true)
    Picture get(UUID planId, String id) {
        return repository
                .findById(new PictureEntity.Key(planId, id))
                .map(p -> new Picture(p.mediaType, p.width, p.height, p.content))
                .orElseThrow(() -> Refusal.of(HttpStatus.NOT_FOUND, "There is no such picture."));
    }

    @Override
    public String property() {
        return "pictures";
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

    /** Pictures of a file are read like any other: what it says of them is not believed. */
    @Override
    public void restore(UUID plan, JsonNode content) {
        if (!(content instanceof ObjectNode all) || all.size() > MOST) {
            throw refused("/pictures", "must be at most " + MOST + " pictures by id");
        }
        Map<String, JsonNode> sorted = new TreeMap<>();
        all.properties().forEach(e -> sorted.put(e.getKey(), e.getValue()));
        sorted.forEach((id, picture) -> {
            byte[] bytes;
            try {
                bytes = Base64.getDecoder().decode(picture.path("base64").asString(""));
            } catch (IllegalArgumentException e) {
                throw refused("/pictures/" + id, "is not base64");
            }
            if (!sha256(bytes).equals(id)) {
                throw refused("/pictures/" + id, "does not hold what its id says");
            }
            String type = picture.path("mediaType").asString("");
            Picture read = reader.read(bytes, 1);
            if (!read.mediaType().equals(type)) {
                throw refused("/pictures/" + id + "/mediaType", "is not what the picture is");
            }
            repository.save(new PictureEntity(plan, id, keep(read, bytes)));
        });
    }

    /** A raster that was read without trouble keeps its bytes; an SVG is kept as it was cleaned. */
    private static Picture keep(Picture read, byte[] bytes) {
        boolean svg = read.mediaType().equals("image/svg+xml");
        if (svg && !java.util.Arrays.equals(read.content(), bytes)) {
            throw refused("/pictures", "hold an SVG with parts that do not draw");
        }
        return new Picture(read.mediaType(), read.width(), read.height(), bytes);
    }

    private static Refusal refused(String place, String message) {
        return Refusal.invalid(
                "The pictures of this file cannot be taken. Nothing was changed.",
                List.of(new Problem(place, message)));
    }
}
