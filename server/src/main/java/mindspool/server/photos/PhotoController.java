package mindspool.server.photos;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.Optional;
import mindspool.server.http.Asks;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api")
@Tag(name = "print")
class PhotoController {

  private static final Duration KEPT = Duration.ofDays(30);

  private final Photos photos;

  PhotoController(Photos photos) {
    this.photos = photos;
  }

  /** A photograph that was read; {@code uploadId} is told to what it is to be kept with. */
  record PhotoReadView(String uploadId, int widthPx, int heightPx) {}

  @Asks
  @PostMapping(value = "/photo-files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @Operation(
      summary = "Reads a photograph, JPEG or PNG; nothing is stored yet",
      description =
          "It is turned upright, scaled to 1600 pixels a side at most, and written anew, without"
              + " the place, time and serial numbers in its file.")
  PhotoReadView read(@RequestParam("file") MultipartFile file) throws IOException {
    String name = Optional.ofNullable(file.getOriginalFilename()).orElse("the file");
    try (InputStream bytes = file.getInputStream()) {
      Photos.Waiting read = photos.read(bytes, name);
      return new PhotoReadView(read.uploadId(), read.photo().widthPx(), read.photo().heightPx());
    }
  }

  @GetMapping(value = "/photos/{id}", produces = MediaType.IMAGE_JPEG_VALUE)
  @Operation(summary = "A photograph, at most 1600 pixels a side")
  ResponseEntity<byte[]> large(@PathVariable long id) {
    return kept(photos.image(id).large);
  }

  @GetMapping(value = "/photos/{id}/small", produces = MediaType.IMAGE_JPEG_VALUE)
  @Operation(summary = "A photograph, at most 240 pixels a side")
  ResponseEntity<byte[]> small(@PathVariable long id) {
    return kept(photos.image(id).small);
  }

  private static ResponseEntity<byte[]> kept(byte[] image) {
    return ResponseEntity.ok().cacheControl(CacheControl.maxAge(KEPT).cachePrivate()).body(image);
  }

  @DeleteMapping("/photos/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Operation(summary = "Takes a photograph away")
  void remove(@PathVariable long id) {
    photos.remove(id);
  }
}
