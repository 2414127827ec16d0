package com.shuttle.chat;

import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Words;
import com.shuttle.web.Checked;
import com.shuttle.web.FileKinds;
import com.shuttle.web.Ids;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.web.multipart.MultipartFile;

/**
 * Files that visitors send when they are asked for one. Kept outside of the web root under random names, handed out to
 * signed-in people only, always as a download. What a file's name says it is must be taken, its first bytes must say the same,
 * and it must be nothing that could be run. Thread-safe.
 */
@Service
public class UploadService {

    /** The most files of one conversation. */
    static final int MOST = 20;

    private final OutcomeStore store;
    private final ConversationService conversations;
    private final InstantSource clock;
    private final Path folder;

    UploadService(
            OutcomeStore store,
            ConversationService conversations,
            InstantSource clock,
            @Value("${shuttle.data}") Path data) {
        this.store = store;
        this.conversations = conversations;
        this.clock = clock;
        this.folder = data.resolve("uploads");
    }

    /** A file as it comes. @param name as its sender calls it; may be null */
    public record Coming(@Nullable String name, long size, Opening content) {

        public static Coming of(MultipartFile file) {
            return new Coming(file.getOriginalFilename(), file.getSize(), file::getInputStream);
        }

        public static Coming of(String name, byte[] bytes) {
            return new Coming(name, bytes.length, () -> new ByteArrayInputStream(bytes));
        }
    }

    /** Opens a file's content, as often as it is called. */
    @FunctionalInterface
    public interface Opening {
        InputStream open() throws IOException;
    }

    /** Takes the file that a conversation asks for. */
    public Checked<Outcome> take(String conversation, String clientMessageId, Coming file) throws IOException {
        Optional<Outcome> before = conversations.again(conversation, clientMessageId);
        if (before.isPresent()) {
            return Checked.good(before.get());
        }
        Prompt prompt = conversations.prompt(conversation);
        if (prompt == null || prompt.type() != ValueType.FILE) {
            return Checked.bad("file", "No file is asked for now.");
        }
        String name = name(file.name());
        String problem = problem(file, name, prompt);
        if (problem != null) {
            return Checked.bad("file", problem);
        }
        if (store.uploadCount(conversation) >= MOST) {
            return Checked.bad("file", "That is the most files one conversation can have.");
        }
        String id = Ids.secret();
        Files.createDirectories(folder);
        try (InputStream in = file.content().open()) {
            Files.copy(in, folder.resolve(id));
        }
        store.insertUpload(id, conversation, name, file.size(), clock.instant());
        return Checked.good(conversations.send(conversation, clientMessageId, id, name));
    }

    private static @Nullable String problem(Coming file, String name, Prompt prompt) throws IOException {
        if (file.size() == 0) {
            return "The file is empty.";
        }
        if (file.size() > prompt.megabytes() * 1_000_000L) {
            return "The file is too large: " + prompt.megabytes() + " MB is the most.";
        }
        int point = name.lastIndexOf('.');
        String ending = point < 0 ? "" : name.substring(point + 1).toLowerCase(Locale.ROOT);
        if (!prompt.fileTypes().contains(ending)) {
            return "This kind of file is not taken. These are: " + String.join(", ", prompt.fileTypes()) + ".";
        }
        try (InputStream in = file.content().open()) {
            return FileKinds.isAsNamed(in.readNBytes(FileKinds.HEAD), name)
                    ? null
                    : "This file is not what its name says.";
        }
    }

    private static String name(@Nullable String original) {
        String clean = Words.clean(original == null ? "" : original)
                .replaceAll("[\\\\/:*?\"<>|\\s]+", " ")
                .strip();
        String bare = clean.replaceAll("^[.\\s]+", "");
        String whole = bare.isEmpty() ? "file" : bare;
        return whole.length() <= 150 ? whole : whole.substring(whole.length() - 150);
    }

    /** Deletes a file for good; one that is gone is none. */
    void delete(String id) {
        try {
            Files.deleteIfExists(folder.resolve(id));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A file to download: its name and where it lies; empty if there is none. */
    public Optional<Download> download(String id) {
        return id.matches("[A-Za-z0-9_-]{10,64}")
                ? store.uploadName(id)
                        .map(name -> new Download(name, folder.resolve(id)))
                        .filter(d -> Files.isRegularFile(d.file()))
                : Optional.empty();
    }

    public record Download(String name, Path file) {}
}
