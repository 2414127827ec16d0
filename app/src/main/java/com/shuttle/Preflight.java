package com.shuttle;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What must be right before the server starts, told in one sentence each where it is not. */
final class Preflight {

    /** The server cannot start; the message is one sentence for the person who started it. */
    static final class Unfit extends RuntimeException {
        private static final long serialVersionUID = 1;

        Unfit(String sentence) {
            super(sentence);
        }
    }

    /** A file that lies beside the data of a demo while it is being made. */
    private static final String UNFINISHED = "demo-unfinished";

    private Preflight() {}

    static int port() {
        String port = setting("SHUTTLE_PORT", "8080");
        if (!port.matches("\\d{1,5}") || Integer.parseInt(port) > 65535) {
            throw new Unfit("\"" + port + "\" is no port; a port is a number from 0 to 65535.");
        }
        return Integer.parseInt(port);
    }

    static Path data() {
        return Path.of(setting("SHUTTLE_DATA", "data")).toAbsolutePath().normalize();
    }

    static void check(int port, Path data) {
        try {
            Files.createDirectories(data);
            keepPrivate(data);
            Files.delete(Files.createTempFile(data, ".probe", ""));
        } catch (IOException e) {
            throw new Unfit("The data folder " + data + " cannot be written to; choose another with --data.");
        }
        try (ServerSocket probe = new ServerSocket()) {
            probe.setReuseAddress(true);
            probe.bind(new InetSocketAddress(port));
        } catch (IOException e) {
            throw new Unfit("Port " + port + " is taken by another program; choose another with --port.");
        }
    }

    /**
     * A demo that was stopped while it was being made is made from the beginning: half of it would be no demo, and nobody has
     * worked with it yet.
     */
    static void clearUnfinishedDemo(Path data) {
        if (!Files.exists(data.resolve(UNFINISHED)) || isLocked(data.resolve("shuttle.mv.db"))) {
            return;
        }
        try (Stream<Path> files = Files.list(data)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                Files.delete(file);
            }
        } catch (IOException e) {
            throw new Unfit(
                    "The unfinished demo in " + data + " cannot be cleared away; choose another folder with --data.");
        }
    }

    /** Whether another server is at work on a database. */
    private static boolean isLocked(Path database) {
        try (FileChannel channel = FileChannel.open(database, StandardOpenOption.WRITE);
                FileLock lock = channel.tryLock()) {
            return lock == null;
        } catch (OverlappingFileLockException e) {
            return true;
        } catch (IOException e) {
            return false;
        }
    }

    /** Nobody else on the machine reads what visitors said; where the disk knows no owners there is nothing to set. */
    private static void keepPrivate(Path data) throws IOException {
        if (Files.getFileStore(data).supportsFileAttributeView("posix")) {
            Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwx------"));
        }
    }

    static boolean isDatabaseInUse(@Nullable Throwable failure) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            String message = cause.getMessage();
            if (message != null && message.contains("Database may be already in use")) {
                return true;
            }
        }
        return false;
    }

    private static String setting(String name, String otherwise) {
        String value = System.getenv(name);
        return value == null || value.isBlank() ? otherwise : value.strip();
    }
}
