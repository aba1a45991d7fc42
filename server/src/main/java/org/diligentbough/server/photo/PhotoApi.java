package org.diligentbough.server.photo;

import io.swagger.v3.oas.annotations.Hidden;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.photo.PhotoMapper.PhotoRow;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Photos of trees, each from a spot that stays the same from year to year. */
@RestController
class PhotoApi {
    private static final int LONGEST_SPOT = 40;
    private static final int LONGEST_NOTE = 500;

    private final PhotoService service;

    PhotoApi(PhotoService service) {
        this.service = service;
    }

    /**
     * A photo; its picture is at {@code /api/photos/KEY}.
     *
     * @param spot where it was taken from
     */
    record PhotoView(
            String key,
            LocalDate takenOn,
            String spot,
            @MayBeNull String note,
            int width,
            int height,
            String by) {}

    @GetMapping("/api/trees/{treeId}/photos")
    List<PhotoView> photos(@PathVariable long treeId) {
        return service.ofTree(treeId).stream().map(PhotoApi::view).toList();
    }

    /**
     * Keeps a JPEG sent as the body, without what it says of where it was taken; sent again under the same key it is kept
     * once.
     */
    @PostMapping(path = "/api/trees/{treeId}/photos", consumes = MediaType.IMAGE_JPEG_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    PhotoView addPhoto(
            @PathVariable long treeId,
            @RequestParam UUID key,
            @RequestParam LocalDate takenOn,
            @RequestParam String spot,
            @RequestParam Optional<String> note,
            @Schema(hidden = true) InputStream body)
            throws IOException {
        if (spot.isBlank() || spot.length() > LONGEST_SPOT) {
            throw ProblemException.wrongField(
                    "/spot", "is missing or longer than 40 letters; say where it was taken from");
        }
        if (note.orElse("").length() > LONGEST_NOTE) {
            throw ProblemException.wrongField("/note", "is longer than 500 letters");
        }
        String said = note.map(String::strip).filter(text -> !text.isEmpty()).orElse(null);
        return view(
                service.add(key, treeId, new PhotoService.PhotoData(takenOn, spot.strip(), said), body.readAllBytes()));
    }

    /** The picture itself. It never changes. */
    @Hidden
    @GetMapping("/api/photos/{key}")
    ResponseEntity<byte[]> picture(@PathVariable UUID key) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .header("X-Content-Type-Options", "nosniff")
                .cacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePrivate())
                .body(service.picture(key));
    }

    private static PhotoView view(PhotoRow row) {
        return new PhotoView(
                row.key(), row.takenOn(), row.spot(), row.note(), row.width(), row.height(), row.addedBy());
    }
}
