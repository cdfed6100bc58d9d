package zentrel.live;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import zentrel.control.OscQueryDocument;
import zentrel.ipv4.Ipv4Address;

/** Fetches the OSCQuery description of a program by HTTP. It waits for the network, so it is used on a thread of its own. */
public final class OscQueryCall {
    private static final Duration PATIENCE = Duration.ofSeconds(4);
    private static final int LARGEST = 4 * 1024 * 1024;

    private OscQueryCall() {}

    /**
     * The addresses that a program describes.
     *
     * @throws IOException with a sentence, where nobody answers, or what answers describes nothing
     */
    public static OscQueryDocument of(Ipv4Address at, int port) throws IOException, InterruptedException {
        HttpClient client = HttpClient.newBuilder()
                .connectTimeout(PATIENCE)
                .followRedirects(HttpClient.Redirect.NEVER)
                .build();
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://" + at + ":" + port + "/"))
                .timeout(PATIENCE)
                .GET()
                .build();
        HttpResponse<InputStream> response;
        try {
            response = client.send(request, HttpResponse.BodyHandlers.ofInputStream());
        } catch (IOException e) {
            throw new IOException(
                    "Nobody at " + at + " describes addresses at TCP port " + port + " (" + e.getMessage() + ").", e);
        }
        try (InputStream body = response.body()) {
            if (response.statusCode() != 200) {
                throw new IOException(at + " port " + port + " answers with HTTP " + response.statusCode()
                        + ", and not with a description.");
            }
            byte[] bytes = body.readNBytes(LARGEST + 1);
            if (bytes.length > LARGEST) {
                throw new IOException("The description of " + at + " is longer than 4 MB; it was not read.");
            }
            return OscQueryDocument.read(new String(bytes, StandardCharsets.UTF_8));
        } catch (IllegalArgumentException e) {
            throw new IOException(at + " port " + port + ": " + e.getMessage(), e);
        }
    }
}
