package com.shuttle.bots;

import static java.nio.charset.StandardCharsets.US_ASCII;

import com.shuttle.core.reading.Words;
import com.shuttle.web.AfterCommit;
import com.shuttle.web.Checked;
import com.shuttle.web.FileKinds;
import com.shuttle.web.Ids;
import com.shuttle.web.Length;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.web.multipart.MultipartFile;

/**
 * Pictures and files that bots show. Only kinds that a browser cannot run are taken, told by their first bytes rather than
 * by their name. Thread-safe.
 */
@Service
public class MediaService {

    /** What is served: its type and where it lies. */
    public record Stored(String type, Path file) {}

    private static final long LARGEST = 8_000_000;
    private static final long LARGEST_FILM = 20_000_000;
    private static final Set<String> FILMS = Set.of("video/mp4", "video/webm", "video/quicktime", "application/mp4");
    private static final Set<String> TAKEN =
            Set.of("image/png", "image/jpeg", "image/gif", "image/webp", "application/pdf");
    private static final Pattern ID = Pattern.compile("[A-Za-z0-9_-]{10,64}");

    private final MediaStore store;
    private final InstantSource clock;
    private final Path folder;

    MediaService(MediaStore store, InstantSource clock, @Value("${shuttle.data}") Path data) {
        this.store = store;
        this.clock = clock;
        this.folder = data.resolve("media");
    }

    /** Keeps a file for a bot, or for none; the address to show it by. */
    public Checked<String> keep(@Nullable String bot, MultipartFile file) throws IOException {
        try (InputStream in = file.getInputStream()) {
            return keep(
                    bot, file.getOriginalFilename() == null ? "file" : file.getOriginalFilename(), in.readAllBytes());
        }
    }

    /** Keeps bytes for a bot, or for none; the address to show them by. */
    public Checked<String> keep(@Nullable String bot, String name, byte[] bytes) throws IOException {
        Optional<String> type = type(bytes);
        if (bytes.length == 0 || bytes.length > largest(type)) {
            return Checked.bad("file", "A picture or file has 1 byte to 8 MB, a film up to 20 MB.");
        }
        if (type.isEmpty()) {
            return Checked.bad(
                    "file", "Only PNG, JPEG, GIF and WebP pictures, MP4 and WebM films and PDF files are taken.");
        }
        return Checked.good(write(Ids.secret(), bot, name, type.get(), bytes));
    }

    /**
     * Keeps a file that was shown under an address, under the same one if it is free or has the same bytes; so that a bot
     * that was saved as a file and comes back is the same.
     */
    public Checked<String> bringIn(String bot, String address, byte[] bytes) throws IOException {
        String id = address.substring(address.lastIndexOf('/') + 1);
        Optional<Stored> there = find(id);
        if (there.isPresent() && Arrays.equals(Files.readAllBytes(there.get().file()), bytes)) {
            return Checked.good("/media/" + id);
        }
        Optional<String> type = type(bytes);
        boolean free =
                there.isEmpty() && ID.matcher(id).matches() && store.type(id).isEmpty();
        return free && type.isPresent() && bytes.length <= largest(type)
                ? Checked.good(write(id, bot, id, type.get(), bytes))
                : keep(bot, id, bytes);
    }

    private String write(String id, @Nullable String bot, String name, String type, byte[] bytes) throws IOException {
        Files.createDirectories(folder);
        Files.write(folder.resolve(id), bytes);
        String clean = Words.clean(name);
        store.insert(id, bot, Length.NAME.cut(clean), type, bytes.length, clock.instant());
        return "/media/" + id;
    }

    private static long largest(Optional<String> type) {
        return type.filter(FILMS::contains).isPresent() ? LARGEST_FILM : LARGEST;
    }

    /** The type of a file by its first bytes; empty for one that is not taken. */
    static Optional<String> type(byte[] bytes) {
        byte[] head = Arrays.copyOf(bytes, Math.min(FileKinds.HEAD, bytes.length));
        String kind = FileKinds.of(head);
        boolean webm = kind.equals("application/x-matroska") && new String(head, US_ASCII).contains("webm");
        return Optional.of(webm ? "video/webm" : kind).filter(type -> TAKEN.contains(type) || FILMS.contains(type));
    }

    /** Whether what is shown by an address here moves. */
    public boolean isFilm(String address) {
        return store.type(address.substring(address.lastIndexOf('/') + 1))
                .filter(FILMS::contains)
                .isPresent();
    }

    /** Deletes the files of a bot that is about to be purged, once it is. */
    void deleteOf(String bot) {
        List<String> ids = store.of(bot);
        AfterCommit.run(() -> ids.forEach(id -> {
            try {
                Files.deleteIfExists(folder.resolve(id));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }));
    }

    public Optional<Stored> find(String id) {
        return ID.matcher(id).matches()
                ? store.type(id)
                        .map(type -> new Stored(type, folder.resolve(id)))
                        .filter(s -> Files.isRegularFile(s.file()))
                : Optional.empty();
    }
}
