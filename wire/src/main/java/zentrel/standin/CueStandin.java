package zentrel.standin;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.control.Cue;
import zentrel.control.CueNumber;
import zentrel.control.MessageSet;
import zentrel.control.MessageSet.Use;
import zentrel.control.MessageTemplate;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Packet;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.Decoded;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscBundle;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.osc.OscPacket;
import zentrel.packet.osc.OscValues;

/**
 * A desk that takes cues by OSC, tells its cue list and its active channels, and reports the cue that runs to whoever asked lately.
 * It speaks {@link MessageSet#EXAMPLE}. Lives in the net's turn.
 */
public final class CueStandin implements AutoCloseable {
    private static final int MOST_FOLLOWERS = 32;
    private static final int CUES_AT_ONCE = 50;
    private static final long BETWEEN_NANOS = 5_000_000L;
    private static final long FLOOD_NANOS = 10_000_000L;

    /** How it misbehaves, for those that have to bear it. */
    public enum Manner {
        WELL,
        /** Answers after two seconds. */
        LATE,
        /** Takes everything and says nothing. */
        SILENT,
        /** Sends texts where numbers belong. */
        WRONG_TYPES,
        /** Sends two thousand messages in a second that nobody asked for. */
        FLOODS
    }

    private record Peer(Ipv4Address address, int port) {}

    private final StandinSite site;
    private final MessageSet set = MessageSet.EXAMPLE;
    private final Manner manner;
    private final Consumer<StandinEvent> listener;
    private final FailedSends failedSends;
    private final List<Cue> cues;
    private final List<Peer> followers = new ArrayList<>();
    private final Map<Integer, Float> levels = new TreeMap<>();
    private volatile int running = -1;
    private @Nullable UdpPort port;
    private boolean closed;
    private int flooded;

    /** @param cues its list, in order */
    public CueStandin(StandinSite site, List<Cue> cues, Manner manner, Consumer<StandinEvent> listener) {
        this.site = site;
        this.cues = new ArrayList<>(cues);
        this.manner = manner;
        this.listener = listener;
        this.failedSends = new FailedSends(listener);
    }

    /**
     * Opens its port; from any thread.
     *
     * @throws IOException with a sentence, if it cannot be had
     */
    public void start(int oscPort) throws IOException {
        site.host().call(() -> {
            port = site.open(oscPort, this::received);
            return true;
        });
    }

    /** The cue that runs; empty before the first. From any thread. */
    public Optional<Cue> running() {
        int at = running;
        return at < 0 || at >= cues.size() ? Optional.empty() : Optional.of(cues.get(at));
    }

    private void received(Packet arrived) {
        Peer from = new Peer(arrived.source(), arrived.sourcePort());
        Decoded<OscPacket> decoded = OscCodec.decode(arrived.bytes());
        if (decoded instanceof Decoded.Malformed<OscPacket> bad) {
            listener.accept(new StandinEvent.Unreadable(from.address(), bad.toString()));
        }
        decoded.packet().ifPresent(p -> take(p, from));
    }

    private void take(OscPacket packet, Peer from) {
        if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(e -> take(e, from));
        } else if (packet instanceof OscMessage message) {
            boolean acted = act(message, from);
            listener.accept(new StandinEvent.Osc(
                    message.address(),
                    message.arguments().stream().map(OscStandin::text).toList(),
                    from.address(),
                    acted));
        }
    }

    private boolean act(OscMessage message, Peer from) {
        follow(from);
        for (Map.Entry<Use, MessageTemplate> each : set.messages().entrySet()) {
            Optional<Map<String, String>> parts = each.getValue().read(message.address(), OscValues.of(message));
            if (parts.isPresent()) {
                return act(each.getKey(), parts.get(), from);
            }
        }
        return false;
    }

    private void follow(Peer from) {
        followers.remove(from);
        followers.add(from);
        if (followers.size() > MOST_FOLLOWERS) {
            followers.remove(0);
        }
    }

    private boolean act(Use use, Map<String, String> parts, Peer from) {
        switch (use) {
            case NEXT -> goTo(Math.min(cues.size() - 1, running + 1));
            case BACK -> goTo(Math.max(0, running - 1));
            case GO_TO -> {
                int at = find(parts);
                if (at < 0) {
                    return false;
                }
                goTo(at);
            }
            case LABEL -> {
                int at = find(parts);
                if (at < 0) {
                    return false;
                }
                Cue cue = cues.get(at);
                cues.set(at, new Cue(cue.list(), cue.number(), text(parts, "label"), cue.time(), cue.note()));
            }
            case LEVEL -> levels.put(Integer.parseInt(text(parts, "channel")), Float.parseFloat(text(parts, "level")));
            case LIST_OUT -> goTo(-1);
            case ASK_CUES -> answer(() -> sendCues(from, 0));
            case ASK_ALIVE -> answer(() -> send(from, Use.ALIVE));
            case ASK_CHANNELS ->
                answer(() -> levels.forEach((channel, level) -> {
                    if (level > 0) {
                        send(from, Use.CHANNEL, String.valueOf(channel), String.valueOf(level), "channel " + channel);
                    }
                }));
            case STOP -> {
                // it holds where it is, and there is nothing to see of that here
            }
            case CUE, CUES_END, RUNNING, CHANNEL, ALIVE -> {
                return false; // what it says itself
            }
        }
        return true;
    }

    private static String text(Map<String, String> parts, String name) {
        return parts.getOrDefault(name, "");
    }

    private int find(Map<String, String> parts) {
        Optional<CueNumber> number = CueNumber.of(text(parts, "cue"));
        for (int i = 0; i < cues.size() && number.isPresent(); i++) {
            if (cues.get(i).number().equals(number.get()) && cues.get(i).list().equals(text(parts, "list"))) {
                return i;
            }
        }
        return -1;
    }

    private void goTo(int at) {
        running = at;
        running()
                .ifPresent(cue -> answer(() -> followers.forEach(
                        f -> send(f, Use.RUNNING, cue.list(), cue.number().toString()))));
    }

    private void answer(Runnable saying) {
        switch (manner) {
            case SILENT -> {
                // nothing is said
            }
            case LATE -> site.clock().at(site.clock().now() + 2_000_000_000L, saying);
            case FLOODS -> {
                saying.run();
                flood();
            }
            default -> saying.run();
        }
    }

    private void flood() {
        if (!closed && flooded++ < 1_000) {
            followers.forEach(f -> {
                for (int i = 0; i < 20; i++) {
                    send(f, Use.RUNNING, "flood", String.valueOf(i));
                }
            });
            site.clock().at(site.clock().now() + FLOOD_NANOS, this::flood);
        }
    }

    /** In small groups with a breath between, as a receiver's buffer is not endless. */
    private void sendCues(Peer to, int from) {
        int end = Math.min(cues.size(), from + CUES_AT_ONCE);
        for (Cue c : cues.subList(Math.min(from, end), end)) {
            send(to, Use.CUE, c.list(), c.number().toString(), c.label(), c.time(), c.note());
        }
        if (end < cues.size()) {
            site.clock().at(site.clock().now() + BETWEEN_NANOS, () -> sendCues(to, end));
        } else {
            send(to, Use.CUES_END, String.valueOf(cues.size()));
        }
    }

    private void send(Peer to, Use use, String... values) {
        OscMessage message = OscValues.message(set.of(use).orElseThrow().fill(List.of(values)));
        if (manner == Manner.WRONG_TYPES) {
            message = new OscMessage(
                    message.address(),
                    message.arguments().stream()
                            .<OscArgument>map(a -> new OscArgument.Float32(Float.NaN))
                            .toList());
        }
        if (port != null && !closed) {
            SendResult sent = port.send(SendIntent.ASKING, to.address(), to.port(), OscCodec.encode(message));
            if (sent.failed()) {
                failedSends.add(sent.why());
            }
        }
    }

    /** Stops at once, in whatever it was about; from any thread. */
    @Override
    public void close() {
        site.host().run(() -> {
            closed = true;
            Optional.ofNullable(port).ifPresent(UdpPort::close);
        });
    }
}
