package org.diligentbough.server.photo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a stop in the middle of keeping a picture leaves behind is put right at the next start. */
class PhotoFilesTest {
    private static final byte[] PICTURE = "a picture".getBytes(StandardCharsets.US_ASCII);

    @TempDir
    Path folder;

    private PhotoFiles files() {
        return new PhotoFiles(new PhotoFiles.Settings(folder.toString()));
    }

    @Test
    void aPictureWithARowGetsItsNameAndOneWithoutGoes() throws IOException {
        UUID stopped = UUID.randomUUID();
        UUID orphan = UUID.randomUUID();
        UUID named = UUID.randomUUID();
        UUID forgotten = UUID.randomUUID();
        files().coming(stopped, PICTURE);
        files().coming(orphan, PICTURE);
        files().keep(named, files().coming(named, PICTURE));
        files().keep(forgotten, files().coming(forgotten, PICTURE));
        Files.writeString(folder.resolve("readme.txt"), "not ours");
        files().sweep(Set.of(stopped, named)::contains, Instant.now().plusSeconds(60));
        assertThat(files().read(stopped)).isEqualTo(PICTURE);
        assertThat(files().read(named)).isEqualTo(PICTURE);
        try (var left = Files.list(folder)) {
            assertThat(left.map(file -> file.getFileName().toString()))
                    .containsExactlyInAnyOrder(stopped + ".jpg", named + ".jpg", "readme.txt");
        }
    }

    @Test
    void whatAnotherServerIsJustWritingIsLeftAlone() throws IOException {
        files().coming(UUID.randomUUID(), PICTURE);
        files().sweep(key -> false, Instant.now().minusSeconds(60));
        try (var left = Files.list(folder)) {
            assertThat(left).hasSize(1);
        }
    }
}
