package zentrel.live;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.BooleanSupplier;
import java.util.function.Predicate;
import zentrel.found.FoundDevice;
import zentrel.found.FoundPort;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetHost;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.packet.Bytes;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtRdm;
import zentrel.packet.artnet.ArtTodData;
import zentrel.packet.artnet.ArtTodRequest;
import zentrel.packet.rdm.RdmMessage;
import zentrel.packet.rdm.Uid;
import zentrel.profile.Direction;
import zentrel.universe.PortAddress;

/**
 * Lists the RDM fixtures on the outputs of a node, and sets them. Questions leave as questions; what sets a fixture leaves only while
 * output is armed. Not for the net's turn: it waits.
 */
public final class RdmBrowser {
    /** The identity that questions come from: a prototype's. */
    private static final Uid OWN = new Uid(0x7FF0, 0x5A000001);

    private static final int TRIES = 3;
    private static final long LIST_MILLIS = 1500;
    private static final long ANSWER_MILLIS = 600;
    private static final int STEP_MILLIS = 3;

    /** A line of DMX has no more; what pretends to is not asked. */
    private static final int MOST = 512;

    private final Discovery discovery;
    private final NetHost host;
    private final BooleanSupplier stopped;
    private int transaction;

    /**
     * Asks by a discovery that runs.
     *
     * @param stopped asked again and again; true ends it
     */
    public RdmBrowser(Discovery discovery, BooleanSupplier stopped) {
        this.discovery = discovery;
        this.host = discovery.host();
        this.stopped = stopped;
    }

    /**
     * The fixtures on all outputs of a node, in the order of ports and identities.
     *
     * @throws IOException with a sentence, where a question could not be sent
     * @throws InterruptedException where waiting was interrupted
     */
    public List<RdmDevice> list(FoundDevice node) throws IOException, InterruptedException {
        List<RdmDevice> all = new ArrayList<>();
        for (FoundPort port : node.ports()) {
            if (port.direction() == Direction.OUTPUT && !stopped.getAsBoolean()) {
                for (Uid uid : uids(node.address(), port)) {
                    if (!stopped.getAsBoolean()) {
                        all.add(device(node.address(), port, uid));
                    }
                }
            }
        }
        return all;
    }

    private Set<Uid> uids(Ipv4Address node, FoundPort port) throws IOException, InterruptedException {
        ArtTodRequest request = new ArtTodRequest(port.wire() >> 8, List.of(port.wire() & 0xFF));
        Set<Uid> found = new LinkedHashSet<>();
        List<ArtTodData> blocks = new ArrayList<>();
        ask(SendIntent.ASKING, node, request, LIST_MILLIS, p -> {
            if (p instanceof ArtTodData data
                    && data.portAddress().value() == port.wire()
                    && data.response() != ArtTodData.NONE) {
                blocks.add(data);
                data.uids().stream().limit(MOST - found.size()).forEach(found::add);
            }
            return !blocks.isEmpty()
                    && found.size() >= Math.min(MOST, blocks.get(0).total());
        });
        return found;
    }

    private RdmDevice device(Ipv4Address node, FoundPort port, Uid uid) throws IOException, InterruptedException {
        Optional<Bytes> info = get(node, port, uid, RdmMessage.DEVICE_INFO);
        boolean known = info.isPresent() && info.get().length() >= 16;
        return new RdmDevice(
                uid,
                port.number(),
                text(get(node, port, uid, RdmMessage.MANUFACTURER_LABEL)),
                text(get(node, port, uid, RdmMessage.DEVICE_MODEL_DESCRIPTION)),
                known ? info.get().at(14) << 8 | info.get().at(15) : 0,
                known ? info.get().at(10) << 8 | info.get().at(11) : 0);
    }

    private static String text(Optional<Bytes> bytes) {
        return bytes.map(b -> new String(b.toArray(), StandardCharsets.ISO_8859_1).strip())
                .orElse("");
    }

    private Optional<Bytes> get(Ipv4Address node, FoundPort port, Uid uid, int parameter)
            throws IOException, InterruptedException {
        return message(SendIntent.ASKING, node, port, uid, RdmMessage.GET, parameter, Bytes.EMPTY)
                .filter(m -> m.portOrResponse() == RdmMessage.ACK)
                .map(RdmMessage::data);
    }

    /**
     * Sets the start slot of a fixture and reads it again.
     *
     * @param slot 1–512
     * @return whether its own answer confirms it
     * @throws IOException with a sentence, where it could not be sent
     * @throws InterruptedException where waiting was interrupted
     */
    public boolean setStart(FoundDevice node, RdmDevice fixture, int slot) throws IOException, InterruptedException {
        FoundPort port = port(node, fixture);
        Bytes data = Bytes.of(slot >> 8, slot & 0xFF);
        message(
                SendIntent.SETTING,
                node.address(),
                port,
                fixture.uid(),
                RdmMessage.SET,
                RdmMessage.DMX_START_ADDRESS,
                data);
        return get(node.address(), port, fixture.uid(), RdmMessage.DMX_START_ADDRESS)
                .filter(data::equals)
                .isPresent();
    }

    /**
     * Lets a fixture show itself, or stop.
     *
     * @return whether it said that it does
     * @throws IOException with a sentence, where it could not be sent
     * @throws InterruptedException where waiting was interrupted
     */
    public boolean identify(FoundDevice node, RdmDevice fixture, boolean on) throws IOException, InterruptedException {
        return message(
                        SendIntent.SETTING,
                        node.address(),
                        port(node, fixture),
                        fixture.uid(),
                        RdmMessage.SET,
                        RdmMessage.IDENTIFY_DEVICE,
                        Bytes.of(on ? 1 : 0))
                .filter(m -> m.portOrResponse() == RdmMessage.ACK)
                .isPresent();
    }

    private static FoundPort port(FoundDevice node, RdmDevice fixture) {
        return node.port(fixture.port())
                .orElseThrow(() ->
                        new IllegalArgumentException(node.title() + " has no port " + fixture.port() + " any more."));
    }

    /** Sends a message up to three times, until it is answered. */
    private Optional<RdmMessage> message(
            SendIntent intent, Ipv4Address node, FoundPort port, Uid uid, int commandClass, int parameter, Bytes data)
            throws IOException, InterruptedException {
        for (int i = 0; i < TRIES && !stopped.getAsBoolean(); i++) {
            int number = transaction++ & 0xFF;
            RdmMessage asked = RdmMessage.ask(uid, OWN, number, commandClass, parameter, data);
            List<RdmMessage> answers = new ArrayList<>();
            ask(intent, node, new ArtRdm(new PortAddress(port.wire()), asked), ANSWER_MILLIS, p -> {
                if (p instanceof ArtRdm back
                        && back.message().isAnswer()
                        && back.message().source().equals(uid)
                        && back.message().transaction() == number
                        && back.message().parameter() == parameter) {
                    answers.add(back.message());
                }
                return !answers.isEmpty();
            });
            if (!answers.isEmpty()) {
                return Optional.of(answers.get(0));
            }
        }
        return Optional.empty();
    }

    /** Sends, and hands what comes back to somebody, on this thread, until that is enough or the time is up. */
    private void ask(
            SendIntent intent, Ipv4Address to, ArtNetPacket packet, long millis, Predicate<ArtNetPacket> enough)
            throws IOException, InterruptedException {
        ConcurrentLinkedQueue<ArtNetPacket> heard = new ConcurrentLinkedQueue<>();
        host.call(() -> {
            discovery.watch(heard::add);
            return true;
        });
        try {
            SendResult sent = host.call(() -> discovery.send(intent, to, packet));
            if (!sent.left()) {
                throw new IOException(sent.why());
            }
            for (long waited = 0; waited < millis && !stopped.getAsBoolean(); waited += STEP_MILLIS) {
                for (ArtNetPacket p = heard.poll(); p != null; p = heard.poll()) {
                    if (enough.test(p)) {
                        return;
                    }
                }
                Thread.sleep(STEP_MILLIS);
            }
        } finally {
            host.run(() -> discovery.watch(null));
        }
    }
}
