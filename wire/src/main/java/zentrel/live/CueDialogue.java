package zentrel.live;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import zentrel.control.Cue;
import zentrel.control.CueNumber;
import zentrel.control.MessageSet;
import zentrel.control.MessageSet.Use;
import zentrel.control.MessageTemplate;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Clock;
import zentrel.net.Packet;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.Decoded;
import zentrel.packet.osc.OscBundle;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.osc.OscPacket;
import zentrel.packet.osc.OscValues;
import zentrel.standin.StandinSite;
import zentrel.text.PlainText;

/**
 * Talks with a desk by OSC: asks for its cues and channels, follows the cue that runs, and notices when the desk is gone. What comes
 * from anybody else is counted and not taken. Lives in the net's turn.
 */
public final class CueDialogue implements AutoCloseable {
    private static final int MOST_CUES = 20_000;
    private static final int MOST_CHANNELS = 32_768;
    private static final int LONGEST = 400;

    /** How often a list of which some did not come is asked for again. */
    private static final int ASK_AGAIN = 3;

    /** How often a desk that is followed is asked whether it is there, and for its channels. */
    private static final long ASK_NANOS = 2_000_000_000L;

    private static final long LOST_NANOS = 7_000_000_000L;

    /** An active channel. */
    public record Channel(int number, String level, String label) {}

    /**
     * What is known of the desk.
     *
     * @param cues those told so far, in order
     * @param complete whether it said that these are all, and as many came
     * @param missing how many it sent that did not come; 0 while it has not said
     * @param running the list and number of the cue that runs
     * @param there whether it was heard lately
     * @param heard messages of it
     * @param notRead messages of it that are none that it is known to send
     * @param strangers packets of somebody else
     */
    public record State(
            List<Cue> cues,
            boolean complete,
            int missing,
            Optional<String> running,
            List<Channel> channels,
            boolean there,
            long heard,
            long notRead,
            long strangers) {}

    private final StandinSite site;
    private final Ipv4Address desk;
    private final int deskPort;
    private final MessageSet set;
    private final Map<String, Cue> cues = new LinkedHashMap<>();
    private final Map<Integer, Channel> channels = new LinkedHashMap<>();
    private Optional<String> running = Optional.empty();
    private int told = -1;
    private int again;
    private long lastHeard = Long.MIN_VALUE;
    private long heard;
    private long notRead;
    private long strangers;
    private volatile @Nullable UdpPort port;
    private Clock.@Nullable Timer timer;

    /**
     * Says nothing yet.
     *
     * @param set the messages that the desk speaks
     */
    public CueDialogue(StandinSite site, Ipv4Address desk, int deskPort, MessageSet set) {
        this.site = site;
        this.desk = desk;
        this.deskPort = deskPort;
        this.set = set;
    }

    /**
     * Begins to follow it; from any thread.
     *
     * @param listensOn the port that it answers to; 0 for the one that asks
     * @throws IOException with a sentence, where the port cannot be had
     */
    public void start(int listensOn) throws IOException {
        site.host().call(() -> {
            port = site.host().open(zentrel.net.PortRequest.at(site.adapter(), listensOn), this::received);
            timer = site.host().clock().every(site.host().clock().now(), ASK_NANOS, () -> {
                ask(Use.ASK_ALIVE);
                ask(Use.ASK_CHANNELS);
            });
            return true;
        });
    }

    /** Whether it was started. */
    public boolean isStarted() {
        return port != null;
    }

    /** Asks for all cues anew; from any thread. */
    public void askCues() {
        site.host().run(() -> {
            cues.clear();
            told = -1;
            again = ASK_AGAIN;
            ask(Use.ASK_CUES);
        });
    }

    private void ask(Use use) {
        set.of(use).filter(t -> t.parts().isEmpty()).ifPresent(t -> {
            SendResult unused = send(SendIntent.ASKING, t.fill(List.of()));
        });
    }

    /**
     * Tells the desk something; from any thread but that of an interface.
     *
     * @return whether it left; false where output is not armed
     * @throws IOException with a sentence, where it could not be sent
     */
    public boolean tell(MessageTemplate.Filled message) throws IOException {
        SendResult sent = site.host().call(() -> send(SendIntent.SETTING, message));
        if (sent.failed()) {
            throw new IOException(sent.why());
        }
        return sent.left();
    }

    private SendResult send(SendIntent intent, MessageTemplate.Filled message) {
        UdpPort open = port;
        return open == null
                ? SendResult.HELD
                : open.send(intent, desk, deskPort, OscCodec.encode(OscValues.message(message)));
    }

    private void received(Packet arrived) {
        if (!arrived.source().equals(desk)) {
            strangers++;
            return;
        }
        lastHeard = arrived.time();
        Decoded<OscPacket> decoded = OscCodec.decode(arrived.bytes());
        if (decoded.packet().isEmpty()) {
            notRead++;
        }
        decoded.packet().ifPresent(this::take);
    }

    private void take(OscPacket packet) {
        if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(this::take);
        } else if (packet instanceof OscMessage message) {
            heard++;
            if (!take(message, Use.CUE)
                    && !take(message, Use.CUES_END)
                    && !take(message, Use.RUNNING)
                    && !take(message, Use.CHANNEL)
                    && !take(message, Use.ALIVE)) {
                notRead++;
            }
        }
    }

    private boolean take(OscMessage message, Use use) {
        return set.of(use)
                .flatMap(t -> t.read(message.address(), OscValues.of(message)))
                .filter(parts -> take(use, parts))
                .isPresent();
    }

    private boolean take(Use use, Map<String, String> parts) {
        Optional<CueNumber> number = CueNumber.of(text(parts, "cue"));
        switch (use) {
            case CUE -> {
                if (number.isEmpty() || cues.size() >= MOST_CUES) {
                    return false;
                }
                Cue cue = new Cue(
                        text(parts, "list").isEmpty() ? "1" : text(parts, "list"),
                        number.get(),
                        text(parts, "label"),
                        text(parts, "time"),
                        text(parts, "note"));
                cues.put(cue.list() + "\n" + cue.number(), cue);
            }
            case CUES_END -> {
                if (!text(parts, "count").matches("[0-9]{1,6}")) {
                    return false;
                }
                told = Integer.parseInt(text(parts, "count"));
                if (told > cues.size() && again-- > 0) {
                    cues.clear(); // datagrams were lost on the way, and with them the order
                    ask(Use.ASK_CUES);
                }
            }
            case RUNNING -> {
                if (number.isEmpty()) {
                    return false;
                }
                running = Optional.of(text(parts, "list") + "/" + number.get());
            }
            case CHANNEL -> {
                if (!text(parts, "channel").matches("[0-9]{1,6}") || channels.size() >= MOST_CHANNELS) {
                    return false;
                }
                int channel = Integer.parseInt(text(parts, "channel"));
                channels.put(channel, new Channel(channel, text(parts, "level"), text(parts, "label")));
            }
            case ALIVE -> {
                return true; // that it was heard is kept already
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    private static String text(Map<String, String> parts, String name) {
        return PlainText.shown(parts.getOrDefault(name, ""), LONGEST);
    }

    /**
     * What is known now; from any thread but that of an interface.
     *
     * @throws IOException where the net is closed
     */
    public State state() throws IOException {
        return site.host()
                .call(() -> new State(
                        new ArrayList<>(cues.values()),
                        told >= 0 && cues.size() >= told,
                        Math.max(0, told - cues.size()),
                        running,
                        new ArrayList<>(channels.values()),
                        lastHeard != Long.MIN_VALUE && site.host().clock().now() - lastHeard < LOST_NANOS,
                        heard,
                        notRead,
                        strangers));
    }

    /** Seconds after which a desk that says nothing is taken for gone. */
    public static long lostSeconds() {
        return TimeUnit.NANOSECONDS.toSeconds(LOST_NANOS);
    }

    @Override
    public void close() {
        site.host().run(() -> {
            Optional.ofNullable(timer).ifPresent(Clock.Timer::cancel);
            Optional.ofNullable(port).ifPresent(UdpPort::close);
        });
    }
}
