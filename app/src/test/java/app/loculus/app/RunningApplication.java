package app.loculus.app;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** The application in this process on free ports, with a data folder that outlives it. */
public final class RunningApplication implements AutoCloseable {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    private final ConfigurableApplicationContext context;
    private final String base;

    public RunningApplication(Path data, String... more) {
        this(data, null, more);
    }

    /** @param beside a configuration with beans that take the place of the application's own */
    public RunningApplication(Path data, Class<?> beside, String... more) {
        List<String> all = new ArrayList<>(List.of(more));
        for (String usual : List.of(
                "--loculus.data=" + data, "--server.port=0", "--loculus.rig-port=0", "--loculus.art-net-port=0")) {
            if (all.stream().noneMatch(f -> f.startsWith(usual.substring(0, usual.indexOf('='))))) {
                all.add(usual);
            }
        }
        SpringApplicationBuilder builder = new SpringApplicationBuilder(LoculusApplication.class);
        if (beside != null) {
            builder.sources(beside);
        }
        context = builder.run(all.toArray(String[]::new));
        base = "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    public String base() {
        return base;
    }

    public HttpResponse<String> send(String method, String path, Object body, String... headers) {
        try {
            return sendText(method, path, body == null ? null : JSON.writeValueAsString(body), headers);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** Sends a body as it is, whether it is JSON or not. */
    public HttpResponse<String> sendText(String method, String path, String body, String... headers) {
        try {
            HttpRequest.BodyPublisher content =
                    body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body);
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                    .method(method, content)
                    .header("Content-Type", "application/json");
            for (int i = 0; i < headers.length; i += 2) {
                request.header(headers[i], headers[i + 1]);
            }
            return HTTP.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    public JsonNode json(String method, String path, Object body) {
        try {
            return JSON.readTree(send(method, path, body).body());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    public JsonNode get(String path) {
        return json("GET", path, null);
    }

    /** Does a line and expects it to be accepted. */
    public JsonNode line(long show, String text) {
        HttpResponse<String> answer = send("POST", "/api/shows/" + show + "/line", Map.of("text", text));
        if (answer.statusCode() != 200) {
            throw new AssertionError(text + ": " + answer.body());
        }
        try {
            return JSON.readTree(answer.body());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** A file as it comes. */
    public byte[] octets(String path) {
        try {
            return HTTP.send(
                            HttpRequest.newBuilder(URI.create(base + path)).build(),
                            HttpResponse.BodyHandlers.ofByteArray())
                    .body();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Sends a file as a form does. */
    public HttpResponse<String> upload(String path, String name, byte[] octets) {
        java.io.ByteArrayOutputStream form = new java.io.ByteArrayOutputStream();
        form.writeBytes(("--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                        + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                .getBytes(java.nio.charset.StandardCharsets.UTF_8));
        form.writeBytes(octets);
        form.writeBytes("\r\n--b--\r\n".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        try {
            return HTTP.send(
                    HttpRequest.newBuilder(URI.create(base + path))
                            .header("Content-Type", "multipart/form-data; boundary=b")
                            .POST(HttpRequest.BodyPublishers.ofByteArray(form.toByteArray()))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    @Override
    public void close() {
        context.close();
    }
}
