package org.diligentbough.server.archive;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.diligentbough.server.orchard.SiteData;
import org.diligentbough.server.orchard.TreeData;
import tools.jackson.databind.JsonNode;

/**
 * The orchard archive, the open format of docs/formats/archive.md: one site with its trees and their surveys.
 *
 * @param format always {@value #FORMAT}
 * @param version always {@value #VERSION}
 */
public record Archive(String format, Integer version, SiteData site, List<ArchivedTree> trees) {
    public static final String FORMAT = "diligent-bough/archive";
    public static final int VERSION = 1;

    /** One tree with its surveys, oldest first. */
    public record ArchivedTree(TreeData tree, List<ArchivedSurvey> surveys) {}

    /**
     * One survey.
     *
     * @param by name of who walked
     * @param survey a survey file, of which format, version, site, today and what is registered of the tree may be absent
     */
    public record ArchivedSurvey(
            String by, @Schema(type = "object") JsonNode survey) {}
}
