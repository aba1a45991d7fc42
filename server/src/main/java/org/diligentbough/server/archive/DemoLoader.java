package org.diligentbough.server.archive;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.diligentbough.server.orchard.SiteMapper;
import org.diligentbough.server.shared.Today;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

/** Loads the archives of a folder into a database that has no site yet. */
@Component
class DemoLoader implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);

    private final ArchiveService archives;
    private final SiteMapper sites;
    private final Today.Settings settings;

    DemoLoader(ArchiveService archives, SiteMapper sites, Today.Settings settings) {
        this.archives = archives;
        this.sites = sites;
        this.settings = settings;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        if (settings.demoFolder() == null || settings.demoFolder().isBlank() || sites.any()) {
            return;
        }
        try (Stream<Path> files = Files.list(Path.of(settings.demoFolder()))) {
            List<Path> found = files.filter(file -> file.toString().endsWith(".json"))
                    .sorted()
                    .toList();
            for (Path file : found) {
                LOG.info(
                        "loaded the demo site {}",
                        archives.add(Files.readAllBytes(file)).name());
            }
        }
    }
}
