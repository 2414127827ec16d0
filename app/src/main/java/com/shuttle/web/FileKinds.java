package com.shuttle.web;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Set;
import org.apache.tika.metadata.Metadata;
import org.apache.tika.metadata.TikaCoreProperties;
import org.apache.tika.mime.MediaType;
import org.apache.tika.mime.MediaTypeRegistry;
import org.apache.tika.mime.MimeTypes;
import org.jspecify.annotations.Nullable;

/** What kind of file something is, told by its first bytes and its name (Apache Tika). Thread-safe. */
public final class FileKinds {

    /** As many of a file's first bytes as are looked at. */
    public static final int HEAD = 8192;

    private static final MimeTypes KINDS = MimeTypes.getDefaultMimeTypes();
    private static final MediaTypeRegistry REGISTRY = KINDS.getMediaTypeRegistry();

    /** What a browser or a machine would run. */
    private static final Set<MediaType> ACTIVE = Set.of(
            MediaType.text("html"),
            MediaType.application("xhtml+xml"),
            MediaType.image("svg+xml"),
            MediaType.text("javascript"),
            MediaType.application("javascript"),
            MediaType.application("x-sh"),
            MediaType.text("x-php"),
            MediaType.application("x-msdownload"),
            MediaType.application("x-dosexec"),
            MediaType.application("x-executable"),
            MediaType.application("x-elf"),
            MediaType.application("java-archive"),
            MediaType.application("java-vm"),
            MediaType.application("x-bat"),
            MediaType.application("x-ms-shortcut"));

    private FileKinds() {}

    /** The media type that a file's first bytes tell, whatever its name; {@code application/octet-stream} for none. */
    public static String of(byte[] head) {
        return detected(head, null).toString();
    }

    /** Whether a file is what its name says, and nothing that could be run. */
    public static boolean isAsNamed(byte[] head, String name) {
        MediaType whole = detected(head, name);
        MediaType named = detected(new byte[0], name);
        return !isActive(whole)
                && (named.equals(MediaType.OCTET_STREAM)
                        || whole.equals(named)
                        || REGISTRY.isSpecializationOf(whole, named));
    }

    private static boolean isActive(MediaType type) {
        return ACTIVE.stream().anyMatch(active -> type.equals(active) || REGISTRY.isSpecializationOf(type, active));
    }

    private static MediaType detected(byte[] head, @Nullable String name) {
        Metadata metadata = new Metadata();
        if (name != null) {
            metadata.set(TikaCoreProperties.RESOURCE_NAME_KEY, name);
        }
        try {
            return REGISTRY.normalize(KINDS.detect(new ByteArrayInputStream(head), metadata));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
