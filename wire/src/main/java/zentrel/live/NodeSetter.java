package zentrel.live;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import zentrel.found.FoundDevice;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetHost;
import zentrel.net.SendResult;
import zentrel.packet.artnet.ArtIpProg;
import zentrel.packet.artnet.ArtIpProgReply;
import zentrel.packet.artnet.ArtNetPacket;

/**
 * Sets a device by ArtAddress and ArtIpProg, waits for its next answers to say so, and follows it to its new address. Everything is sent
 * as setting, so nothing leaves before output is armed. Not for the net's turn: it waits.
 */
public final class NodeSetter {
    private static final long ASK_EVERY_MILLIS = 400;
    private static final long BETWEEN_STEPS_MILLIS = 60;

    /** How long a device may take to say what it was set to: the limit of a poll, twice. */
    private static final Duration CONFIRM = Duration.ofSeconds(6);

    /**
     * What came of it.
     *
     * @param before the device before
     * @param sent what was sent, packet by packet, in words
     * @param after the device as its last answer says; empty where it did not answer
     * @param missing what of the settings its last answer does not confirm, as sentences without a point; empty where it confirms all
     * @param mask the mask that it had before, where it told
     * @param seconds how long it took until the last answer
     */
    public record Outcome(
            FoundDevice before,
            List<String> sent,
            Optional<FoundDevice> after,
            List<String> missing,
            Optional<Ipv4Address> mask,
            double seconds) {
        public Outcome {
            sent = List.copyOf(sent);
            missing = List.copyOf(missing);
        }

        public boolean isConfirmed() {
            return missing.isEmpty() && after.isPresent();
        }
    }

    private final Discovery discovery;
    private final NetHost host;
    private final BooleanSupplier stopped;
    private final Consumer<String> progress;

    /**
     * Sets by a discovery that runs.
     *
     * @param stopped asked again and again; true ends it
     * @param progress told what happens, in words
     */
    public NodeSetter(Discovery discovery, BooleanSupplier stopped, Consumer<String> progress) {
        this.discovery = discovery;
        this.host = discovery.host();
        this.stopped = stopped;
        this.progress = progress;
    }

    /** What would be sent, in words, in order; nothing is sent. Its first line is the first packet. */
    public static List<String> preview(FoundDevice device, NodeSetting wanted) {
        List<String> words = new ArrayList<>();
        NodeSteps.of(device, wanted).forEach(s -> words.add(s.what()));
        wanted.address().ifPresent(a -> words.add(words(a)));
        return words;
    }

    private static String words(NodeSetting.AddressSetting address) {
        return address.fixed()
                .map(f -> "address " + f.address() + ", mask " + f.mask()
                        + f.gateway().map(g -> ", gateway " + g).orElse(""))
                .orElse("address by DHCP");
    }

    /**
     * Sets and waits.
     *
     * @param restart how long the device may be away after its address was changed
     * @throws IllegalArgumentException with a sentence, where the device cannot be set so; nothing was sent
     * @throws IOException with a sentence, where something could not be sent
     * @throws InterruptedException where waiting was interrupted
     */
    public Outcome set(FoundDevice before, NodeSetting wanted, Duration restart)
            throws IOException, InterruptedException {
        long start = System.nanoTime();
        List<NodeSteps.Step> steps = NodeSteps.of(before, wanted);
        List<String> sent = new ArrayList<>();
        Optional<Ipv4Address> mask = wanted.address().isPresent() ? askMask(before) : Optional.empty();
        for (NodeSteps.Step step : steps) {
            if (stopped.getAsBoolean()) {
                break;
            }
            send(before.address(), step.packet());
            sent.add("ArtAddress, page " + step.packet().bindIndex() + ": " + step.what());
            progress.accept("Set " + step.what() + ".");
            Thread.sleep(BETWEEN_STEPS_MILLIS);
        }
        Optional<FoundDevice> after = steps.isEmpty() ? Optional.of(before) : confirm(before, wanted, start);
        List<String> missing = new ArrayList<>(
                after.map(a -> NodeSteps.missing(a, wanted)).orElse(List.of("it has not answered since")));
        if (wanted.address().isPresent() && !stopped.getAsBoolean()) {
            NodeSetting.AddressSetting address = wanted.address().get();
            after = moved(before, address, restart, sent, missing);
        }
        if (stopped.getAsBoolean()) {
            missing.add("it was stopped");
        }
        return new Outcome(before, sent, after, missing, mask, (System.nanoTime() - start) / 1e9);
    }

    private void send(Ipv4Address to, ArtNetPacket packet) throws IOException {
        SendResult result = host.call(() -> discovery.set(to, packet));
        if (!result.left()) {
            throw new IOException(result.why());
        }
    }

    /** Polls until an answer that came after the start confirms everything, or the time is up. */
    private Optional<FoundDevice> confirm(FoundDevice before, NodeSetting wanted, long start)
            throws IOException, InterruptedException {
        long until = start + CONFIRM.toNanos();
        long since = host.clock().now();
        Optional<FoundDevice> last = Optional.empty();
        while (System.nanoTime() < until && !stopped.getAsBoolean()) {
            host.call(() -> discovery.poll(before.address()));
            Thread.sleep(ASK_EVERY_MILLIS);
            last = host.call(() -> discovery.device(before.mac(), before.address()))
                    .filter(d -> d.lastHeard() >= since);
            if (last.isPresent() && NodeSteps.missing(last.get(), wanted).isEmpty()) {
                return last;
            }
        }
        return last;
    }

    private Optional<Ipv4Address> askMask(FoundDevice device) throws IOException, InterruptedException {
        return progReply(device.address(), ArtIpProg.asking(), false).map(ArtIpProgReply::mask);
    }

    /** Sends an ArtIpProg and waits for its answer. */
    private Optional<ArtIpProgReply> progReply(Ipv4Address to, ArtIpProg prog, boolean must)
            throws IOException, InterruptedException {
        AtomicReference<ArtIpProgReply> answer = new AtomicReference<>();
        host.call(() -> {
            discovery.watch(p -> {
                if (p instanceof ArtIpProgReply reply) {
                    answer.set(reply);
                }
            });
            return true;
        });
        try {
            SendResult result = host.call(() -> discovery.set(to, prog));
            if (must && !result.left()) {
                throw new IOException(result.why());
            }
            for (int waited = 0; waited < 3000 && answer.get() == null && !stopped.getAsBoolean(); waited += 20) {
                Thread.sleep(20);
            }
            return Optional.ofNullable(answer.get());
        } finally {
            host.run(() -> discovery.watch(null));
        }
    }

    private static ArtIpProg prog(NodeSetting.AddressSetting.Fixed fixed) {
        ArtIpProg prog = ArtIpProg.fixed(fixed.address(), fixed.mask());
        return fixed.gateway().map(prog::withGateway).orElse(prog);
    }

    private Optional<FoundDevice> moved(
            FoundDevice before,
            NodeSetting.AddressSetting address,
            Duration restart,
            List<String> sent,
            List<String> missing)
            throws IOException, InterruptedException {
        ArtIpProg prog = address.fixed().map(NodeSetter::prog).orElseGet(ArtIpProg::byDhcp);
        Optional<ArtIpProgReply> reply = progReply(before.address(), prog, true);
        sent.add("ArtIpProg: " + words(address));
        if (reply.isEmpty()) {
            missing.add("ArtIpProg was not answered");
        } else {
            address.fixed()
                    .filter(f -> !reply.get().mask().equals(f.mask()))
                    .ifPresent(f -> missing.add("mask is " + reply.get().mask() + ", not " + f.mask()));
            address.fixed()
                    .flatMap(NodeSetting.AddressSetting.Fixed::gateway)
                    .filter(g -> !reply.get().gateway().equals(g))
                    .ifPresent(g -> missing.add("gateway is " + reply.get().gateway() + ", not " + g));
        }
        Optional<Ipv4Address> target = address.fixed().map(NodeSetting.AddressSetting.Fixed::address);
        long since = host.clock().now();
        long start = System.nanoTime();
        long until = start + restart.toNanos();
        while (System.nanoTime() < until && !stopped.getAsBoolean()) {
            long left = (until - System.nanoTime()) / 1_000_000_000L;
            progress.accept("Waiting for " + before.title() + " to come back, " + left + " s more.");
            host.call(() -> {
                discovery.poll(discovery.adapter().broadcast());
                return discovery.poll(target.orElse(before.address()));
            });
            Thread.sleep(ASK_EVERY_MILLIS);
            Optional<FoundDevice> now = host.call(() -> before.mac().isPresent()
                            ? discovery.device(before.mac(), before.address())
                            : discovery.device(Optional.empty(), target.orElse(before.address())))
                    .filter(d -> d.lastHeard() >= since)
                    .filter(d -> target.map(t -> t.equals(d.address())).orElse(d.byDhcp()));
            if (now.isPresent()) {
                return now;
            }
        }
        missing.add("it has not answered " + target.map(t -> "at " + t).orElse("with an address by DHCP") + " within "
                + restart.toSeconds() + " s");
        return host.call(() -> discovery.device(before.mac(), before.address())).filter(d -> d.lastHeard() >= since);
    }
}
