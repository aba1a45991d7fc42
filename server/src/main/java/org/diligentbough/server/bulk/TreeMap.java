package org.diligentbough.server.bulk;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.diligentbough.server.shared.ProblemException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Trees as GeoJSON (RFC 7946): points in degrees of longitude and latitude, everything else as properties by the names of
 * the register. A site is small: a plane that touches the globe at its origin serves.
 */
final class TreeMap {
    /** Mean radius of the earth, m (from memory: IUGG). */
    private static final double EARTH_M = 6_371_008.8;

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    private static final Map<String, String> USUAL = Map.of("bearing", "unknown", "purpose", "picking");

    private final double latitude;
    private final double longitude;

    /** A map whose origin lies there, degrees. */
    TreeMap(double latitude, double longitude) {
        this.latitude = latitude;
        this.longitude = longitude;
    }

    JsonNode write(List<JsonNode> trees) {
        ObjectNode file = NODES.objectNode();
        file.put("type", "FeatureCollection");
        ArrayNode features = file.putArray("features");
        for (JsonNode tree : trees) {
            ObjectNode feature = features.addObject();
            feature.put("type", "Feature");
            ObjectNode properties = ((ObjectNode) tree).deepCopy();
            properties.remove(List.of("eastM", "northM"));
            feature.putObject("geometry")
                    .put("type", "Point")
                    .putArray("coordinates")
                    .add(rounded(longitude + Math.toDegrees(tree.get("eastM").doubleValue() / parallelM())))
                    .add(rounded(latitude + Math.toDegrees(tree.get("northM").doubleValue() / EARTH_M)));
            feature.set("properties", properties);
        }
        return file;
    }

    List<TreeImport.Sent> read(JsonNode file) {
        if (!file.path("type").asString("").equals("FeatureCollection")
                || !file.path("features").isArray()) {
            throw ProblemException.unreadable("This is no map of trees. Send a GeoJSON FeatureCollection of points.");
        }
        if (file.get("features").size() > TreeTable.MOST_ROWS) {
            throw ProblemException.tooLarge("A map has at most 5000 trees; send it in parts.");
        }
        List<TreeImport.Sent> sent = new ArrayList<>();
        for (int i = 0; i < file.get("features").size(); i++) {
            sent.add(tree(file.get("features").get(i), "/features/" + i));
        }
        return sent;
    }

    private TreeImport.Sent tree(JsonNode feature, String at) {
        JsonNode place = feature.path("geometry");
        JsonNode degrees = place.path("coordinates");
        boolean point = place.path("type").asString("").equals("Point")
                && degrees.path(0).isNumber()
                && degrees.path(1).isNumber();
        if (!point) {
            throw ProblemException.wrongField(at + "/geometry", "is no point; give longitude and latitude in degrees");
        }
        ObjectNode tree = feature.path("properties") instanceof ObjectNode properties
                ? properties.deepCopy()
                : NODES.objectNode();
        USUAL.forEach((field, usual) -> {
            if (!tree.hasNonNull(field)) {
                tree.put(field, usual);
            }
        });
        if (!tree.hasNonNull("inContainer")) {
            tree.put("inContainer", false);
        }
        tree.put("eastM", centimetres(Math.toRadians(degrees.get(0).doubleValue() - longitude) * parallelM()));
        tree.put("northM", centimetres(Math.toRadians(degrees.get(1).doubleValue() - latitude) * EARTH_M));
        return new TreeImport.Sent(at + "/properties", tree);
    }

    private double parallelM() {
        return EARTH_M * Math.cos(Math.toRadians(latitude));
    }

    /** A millimetre on the ground. */
    private static double rounded(double degrees) {
        return Math.round(degrees * 1e8) / 1e8;
    }

    private static double centimetres(double metres) {
        return Math.round(metres * 100) / 100.0;
    }
}
