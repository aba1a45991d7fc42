package org.diligentbough.server.archive;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.stream.IntStream;
import org.diligentbough.server.orchard.SiteMapper;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A made-up orchard of one's own to play with, and to throw away. */
@Service
class SampleService {
    private static final String ORCHARD = "sample/kilnfield.json";
    private static final String NAME = "Sample orchard";
    private static final int MOST = 3;

    private final ArchiveService archives;
    private final SiteMapper sites;
    private final CurrentPerson person;
    private final JsonMapper json;

    SampleService(ArchiveService archives, SiteMapper sites, CurrentPerson person, JsonMapper json) {
        this.archives = archives;
        this.sites = sites;
        this.person = person;
        this.json = json;
    }

    /**
     * Plants a sample; its people come with it.
     *
     * @throws ProblemException 422 when there are as many as anybody can play with
     */
    @Transactional
    SiteRow plant() {
        person.id();
        if (sites.samples() >= MOST) {
            throw ProblemException.refused(List.of(new FieldProblem(
                    "", "There are " + MOST + " sample orchards already; play in one of them, or throw one away.")));
        }
        long before = sites.lastPerson();
        try (InputStream file = new ClassPathResource(ORCHARD).getInputStream()) {
            ObjectNode archive = (ObjectNode) json.readTree(file);
            ((ObjectNode) archive.get("site")).put("name", freeName());
            SiteRow site = archives.add(json.writeValueAsBytes(archive));
            sites.makeSample(site.id(), before);
            return site;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private String freeName() {
        return IntStream.iterate(1, i -> i + 1)
                .mapToObj(i -> i == 1 ? NAME : NAME + " " + i)
                .filter(name -> !sites.named(name))
                .findFirst()
                .orElseThrow();
    }

    /**
     * Throws a sample away, with all that was done in it.
     *
     * @throws ProblemException 404 when it is no sample: of a real orchard nothing is ever thrown away
     */
    @Transactional
    void throwAway(long siteId) {
        person.id();
        if (!sites.throwAwaySample(siteId)) {
            throw ProblemException.notFound("There is no sample orchard here. Only a sample can be thrown away.");
        }
    }
}
