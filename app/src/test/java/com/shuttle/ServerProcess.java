package com.shuttle;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A Shuttle server in a process of its own, on this class path and a port that is free. */
public final class ServerProcess {

    private static final Pattern READY = Pattern.compile("Shuttle is ready at http://localhost:(\\d+)");

    private final Process process;
    private final int port;

    private ServerProcess(Process process, int port) {
        this.process = process;
        this.port = port;
    }

    /** Starts a server and waits until it says that it is ready. */
    public static ServerProcess start(Path data, String main, Map<String, String> environment, String... options)
            throws IOException {
        Process process = launch(data, main, environment, options);
        BufferedReader output =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        StringBuilder said = new StringBuilder();
        for (String line = output.readLine(); line != null; line = output.readLine()) {
            said.append(line).append('\n');
            Matcher ready = READY.matcher(line);
            if (ready.find()) {
                Thread.ofVirtual().start(() -> output.lines().forEach(ignored -> {}));
                return new ServerProcess(process, Integer.parseInt(ready.group(1)));
            }
        }
        throw new IllegalStateException("the server did not start:\n" + said);
    }

    /** Starts a server that cannot start, and returns the last thing it said. */
    static String fail(Path data, Map<String, String> environment) throws IOException, InterruptedException {
        Process process =
                launch(data, "com.shuttle.Shuttle", environment, "-XX:+UseSerialGC", "-XX:TieredStopAtLevel=1");
        List<String> lines = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))
                .lines()
                .filter(line -> line.startsWith("shuttle: "))
                .toList();
        if (process.waitFor() == 0) {
            throw new IllegalStateException("the server ended without a failure");
        }
        return lines.isEmpty() ? "" : lines.getLast();
    }

    private static Process launch(Path data, String main, Map<String, String> environment, String... options)
            throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED",
                "--add-modules",
                "jdk.incubator.vector",
                "-Xmx2g"));
        command.addAll(List.of(options));
        command.addAll(List.of("-cp", classPath(), main));
        // The folder is told as people tell it: by its name, from where they are.
        Path folder = data.toAbsolutePath();
        ProcessBuilder builder = new ProcessBuilder(command)
                .directory(folder.getParent().toFile())
                .redirectErrorStream(true);
        builder.environment()
                .putAll(Map.of(
                        "SHUTTLE_PORT",
                        "0",
                        "SHUTTLE_DATA",
                        folder.getFileName().toString()));
        builder.environment().putAll(environment);
        return builder.start();
    }

    private static String classPath() {
        return Stream.of(System.getProperty("java.class.path").split(File.pathSeparator))
                .map(entry -> Path.of(entry).toAbsolutePath().toString())
                .collect(Collectors.joining(File.pathSeparator));
    }

    public int port() {
        return port;
    }

    public URI uri(String path) {
        return URI.create("http://localhost:" + port + path);
    }

    public long pid() {
        return process.pid();
    }

    /** Ends the process at once, as kill -9 does, and waits until it is gone. */
    public void kill() {
        process.destroyForcibly().onExit().join();
    }
}
