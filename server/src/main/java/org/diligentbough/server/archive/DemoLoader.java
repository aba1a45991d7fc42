package org.diligentbough.server.archive;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.access.Memberships;
import org.diligentbough.server.access.Role;
import org.diligentbough.server.crew.PeopleService;
import org.diligentbough.server.orchard.SiteMapper;
import org.diligentbough.server.orchard.TreeMapper;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/** Loads the archives of a folder into a database that has no site yet, before the first request is answered. */
@Component
class DemoLoader implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);

    private static final String PEOPLE = "people.csv";

    private final ArchiveService archives;
    private final SiteMapper sites;
    private final TreeMapper trees;
    private final PeopleService people;
    private final Memberships memberships;
    private final Today.Settings settings;
    private boolean running;

    DemoLoader(
            ArchiveService archives,
            SiteMapper sites,
            TreeMapper trees,
            PeopleService people,
            Memberships memberships,
            Today.Settings settings) {
        this.archives = archives;
        this.sites = sites;
        this.trees = trees;
        this.people = people;
        this.memberships = memberships;
        this.settings = settings;
    }

    @Override
    public void start() {
        running = true;
        try {
            load();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void stop() {
        running = false;
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    /** Before the web server, which starts among the last. */
    @Override
    public int getPhase() {
        return 0;
    }

    private void load() throws IOException {
        if (settings.demoFolder() == null || settings.demoFolder().isBlank()) {
            return;
        }
        Path folder = Path.of(settings.demoFolder());
        if (!sites.any()) {
            try (Stream<Path> files = Files.list(folder)) {
                for (Path file : files.filter(one -> one.toString().endsWith(".json"))
                        .sorted()
                        .toList()) {
                    LOG.info("loaded the demo site {}", load(file));
                }
            }
        }
        if (memberships.nobodyComesIn()) {
            people(folder.resolve(PEOPLE));
        }
    }

    /** Made-up people whoever tries the demo can be: name, site, role, and the trees they own, by their tags. */
    private void people(Path file) throws IOException {
        if (!Files.exists(file)) {
            return;
        }
        try (CSVParser table = CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(Files.newBufferedReader(file))) {
            for (CSVRecord line : table) {
                if (!sites.named(line.get("site"))) {
                    continue;
                }
                long siteId = sites.withName(line.get("site"));
                Set<String> tags = Set.of(line.get("owns").split(" "));
                memberships.demo(
                        people.named(line.get("name"), siteId),
                        siteId,
                        Codes.parse(Role.class, line.get("role")).orElseThrow(),
                        line.get("walks").equals("yes"),
                        trees.ofSite(siteId).stream()
                                .filter(tree -> tags.contains(tree.tag()))
                                .map(TreeRow::id)
                                .toList());
            }
        }
    }

    private String load(Path file) throws IOException {
        try {
            return archives.add(Files.readAllBytes(file)).name();
        } catch (ProblemException e) {
            throw new IllegalStateException(file + " cannot be loaded: " + e.getMessage() + " " + e.errors(), e);
        }
    }
}
