package org.diligentbough.server.bulk;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The register of a site in and out, as a table and as a map. */
@RestController
@RequestMapping("/api/sites/{siteId}")
class BulkApi {
    private static final String CSV = "text/csv";
    private static final String GEOJSON = "application/geo+json";

    private final TreeImport trees;
    private final OrchardService orchard;
    private final JsonMapper json;

    BulkApi(TreeImport trees, OrchardService orchard, JsonMapper json) {
        this.trees = trees;
        this.orchard = orchard;
        this.json = json;
    }

    /**
     * What a table holds, to match its columns.
     *
     * @param suggested for each column the field its name suggests, or empty
     * @param rows its rows as they stand, to be looked at and mended
     * @param fields all fields a column can fill
     */
    record TableView(List<String> columns, List<String> suggested, List<List<String>> rows, List<String> fields) {}

    /** How many trees were registered. */
    record AddedView(int trees) {}

    @Operation(
            summary = "Look into a table of trees; nothing is kept",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content = @Content(mediaType = CSV, schema = @Schema(type = "string"))))
    @PostMapping(path = "/trees/table/look", consumes = CSV)
    TableView lookIntoTable(@PathVariable long siteId, @Schema(hidden = true) InputStream body) throws IOException {
        orchard.site(siteId);
        TreeTable table = TreeTable.read(text(body));
        return new TableView(
                table.columns(),
                table.suggested().stream().map(field -> field.orElse("")).toList(),
                table.cells(),
                TreeTable.FIELDS);
    }

    @Operation(
            summary = "Register the trees of a table: all, or none and every wrong field named by its line",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content = @Content(mediaType = CSV, schema = @Schema(type = "string"))))
    @PostMapping(path = "/trees/table", consumes = CSV)
    @ResponseStatus(HttpStatus.CREATED)
    AddedView addTable(@PathVariable long siteId, @RequestParam String fields, @Schema(hidden = true) InputStream body)
            throws IOException {
        TreeTable table = TreeTable.read(text(body));
        List<String> fieldOf = Arrays.asList(fields.split(",", -1));
        List<String> named = fieldOf.stream().filter(field -> !field.isEmpty()).toList();
        if (new HashSet<>(named).size() < named.size() || !TreeTable.FIELDS.containsAll(named)) {
            throw ProblemException.wrongField("/fields", "names a field twice, or one that is not known");
        }
        List<TreeImport.Sent> sent = new ArrayList<>();
        for (int row = 0; row < table.size(); row++) {
            sent.add(new TreeImport.Sent("/lines/" + table.line(row), table.tree(row, fieldOf)));
        }
        return new AddedView(trees.add(orchard.site(siteId).id(), sent));
    }

    /** Registers the points of a GeoJSON file as trees: all, or none and every wrong field named. */
    @PostMapping(path = "/trees/geojson")
    @ResponseStatus(HttpStatus.CREATED)
    AddedView addGeoJson(@PathVariable long siteId, @Schema(type = "object") @RequestBody JsonNode file) {
        SiteRow site = orchard.site(siteId);
        return new AddedView(trees.add(siteId, new TreeMap(site.latitude(), site.longitude()).read(file)));
    }

    @GetMapping(path = "/trees.csv", produces = CSV)
    ResponseEntity<String> table(@PathVariable long siteId) {
        List<JsonNode> all = orchard.standing(siteId).stream()
                .<JsonNode>map(tree -> json.valueToTree(tree.data()))
                .toList();
        return file(siteId, "csv", CSV + ";charset=UTF-8").body(TreeTable.write(all));
    }

    @GetMapping(path = "/trees.geojson", produces = GEOJSON)
    ResponseEntity<String> map(@PathVariable long siteId) {
        SiteRow site = orchard.site(siteId);
        JsonNode all = new TreeMap(site.latitude(), site.longitude())
                .write(orchard.standing(siteId).stream()
                        .<JsonNode>map(tree -> json.valueToTree(tree.data()))
                        .toList());
        return file(siteId, "geojson", GEOJSON).body(json.writeValueAsString(all));
    }

    private ResponseEntity.BodyBuilder file(long siteId, String ending, String type) {
        String name = orchard.site(siteId).name().toLowerCase().replaceAll("[^a-z0-9]+", "-") + "-trees." + ending;
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString());
    }

    private static String text(InputStream body) throws IOException {
        byte[] bytes = body.readAllBytes();
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException e) {
            // Older spreadsheets save in the coding of western Europe.
            return Optional.of(new String(bytes, StandardCharsets.ISO_8859_1))
                    .filter(text -> text.indexOf('\0') < 0)
                    .orElseThrow(() -> ProblemException.unreadable("This is no text. Save the table as CSV in UTF-8."));
        }
    }
}
