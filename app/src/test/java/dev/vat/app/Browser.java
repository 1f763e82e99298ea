package dev.vat.app;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;

/** A browser without a window, which is given a page and a file and tells what it made of them. */
final class Browser {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private Browser() {}

    /** Where a program is, if it's installed. */
    static Optional<Path> program(String name) {
        return Arrays.stream(System.getenv("PATH").split(":")).map(p -> Path.of(p, name)).filter(Files::isExecutable).findFirst();
    }

    /**
     * Opens a page beside a file, which it finds under {@code /video}.
     *
     * @param folder for the browser's own files
     * @return what the page told under {@code /told}
     */
    static JsonNode show(Path file, String type, String page, Path folder) throws Exception {
        CompletableFuture<JsonNode> told = new CompletableFuture<>();
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", e -> answer(e, "text/html", page.getBytes(StandardCharsets.UTF_8)));
        server.createContext("/video", e -> answer(e, type, Files.readAllBytes(file)));
        server.createContext("/told", e -> {
            told.complete(JSON.readTree(e.getRequestBody().readAllBytes()));
            answer(e, "text/plain", new byte[0]);
        });
        server.start();
        Process browser = new ProcessBuilder(program("chromium").orElseThrow().toString(), "--headless", "--no-sandbox", "--disable-gpu",
                "--disable-quic", "--no-first-run",
                "--disable-background-networking", "--disable-component-update", "--disable-sync",
                "--autoplay-policy=no-user-gesture-required",
                "--user-data-dir=" + folder.resolve("profile"), "--remote-debugging-port=0",
                "http://127.0.0.1:" + server.getAddress().getPort() + "/")
                .redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
        try {
            return told.get(300, TimeUnit.SECONDS);
        } finally {
            // Its own children would go on writing into a folder that is being deleted.
            List<ProcessHandle> children = browser.descendants().toList();
            browser.destroyForcibly().waitFor();
            for (ProcessHandle child : children) {
                child.destroyForcibly();
                child.onExit().get(300, TimeUnit.SECONDS);
            }
            server.stop(0);
        }
    }

    private static void answer(HttpExchange e, String type, byte[] body) throws IOException {
        try (e) {
            e.getResponseHeaders().add("Content-Type", type);
            e.getResponseHeaders().add("Accept-Ranges", "none");
            e.sendResponseHeaders(200, body.length == 0 ? -1 : body.length);
            e.getResponseBody().write(body);
        }
    }
}
