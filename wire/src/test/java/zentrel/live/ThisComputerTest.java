package zentrel.live;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.List;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import zentrel.Witnesses;
import zentrel.compare.SeenAdapter;

/** This computer's adapters as the system's own tool tells them (iproute2, {@code ip -j address}). */
class ThisComputerTest {
    private static JsonNode told() throws IOException, InterruptedException {
        Process ip;
        try {
            ip = new ProcessBuilder("ip", "-j", "address")
                    .redirectErrorStream(true)
                    .start();
        } catch (IOException e) {
            Witnesses.need(false, "skipped: this system has no \"ip\", so there is nothing to compare with");
            throw e;
        }
        JsonNode tree = new ObjectMapper().readTree(ip.getInputStream());
        assertThat(ip.waitFor(10, TimeUnit.SECONDS)).isTrue();
        return tree;
    }

    @Test
    void theyAreThoseThatTheSystemTells() throws Exception {
        JsonNode told = told();
        TreeMap<String, TreeSet<String>> theirs = new TreeMap<>();
        TreeMap<String, String> macs = new TreeMap<>();
        for (JsonNode link : told) {
            String name = link.path("ifname").asText();
            for (JsonNode address : link.path("addr_info")) {
                if (address.path("family").asText().equals("inet")) {
                    theirs.computeIfAbsent(name, n -> new TreeSet<>())
                            .add(address.path("local").asText() + "/"
                                    + address.path("prefixlen").asInt());
                }
            }
            macs.put(name, link.path("address").asText());
        }
        TreeMap<String, TreeSet<String>> ours = new TreeMap<>();
        for (var adapter : ThisComputer.adapters()) {
            adapter.addresses()
                    .forEach(a -> ours.computeIfAbsent(adapter.name(), n -> new TreeSet<>())
                            .add(a.toString()));
            if (!adapter.loopback()) {
                adapter.mac().ifPresent(mac -> assertThat(mac).isEqualToIgnoringCase(macs.get(adapter.name())));
            }
        }
        assertThat(ours).isEqualTo(theirs);
    }

    @Test
    void loopbackIsUpAndHasItsAddress() throws IOException {
        List<SeenAdapter> loopbacks =
                ThisComputer.adapters().stream().filter(SeenAdapter::loopback).toList();
        assertThat(loopbacks).isNotEmpty().allMatch(SeenAdapter::up);
        assertThat(loopbacks.get(0).addresses()).extracting(Object::toString).contains("127.0.0.1/8");
    }
}
