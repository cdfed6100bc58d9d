package zentrel.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.control.Cue;
import zentrel.control.CueNumber;
import zentrel.control.MessageSet;
import zentrel.control.MessageSet.Use;
import zentrel.net.OutputGuard;
import zentrel.net.SendIntent;
import zentrel.net.TriedNet;
import zentrel.net.UdpPort;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.standin.CueStandin;
import zentrel.standin.CueStandin.Manner;

/** A desk is asked for its cues, followed, told; desks that misbehave are borne. On loopback and simulated. */
@ParameterizedClass(name = "{0}")
@EnumSource(TriedNet.Kind.class)
class CueDialogueTest {
    private static final int PORT = 24_710;
    private static final int MANY = 400;

    private final TriedNet net;
    private final List<AutoCloseable> opened = new ArrayList<>();

    CueDialogueTest(TriedNet.Kind kind) {
        net = kind.open();
    }

    @AfterEach
    void close() throws Exception {
        for (AutoCloseable each : opened) {
            each.close();
        }
        net.close();
    }

    private CueStandin desk(Manner manner) throws IOException {
        List<Cue> cues = new ArrayList<>();
        for (int i = 1; i <= MANY; i++) {
            cues.add(new Cue("2", CueNumber.of(i + ".25").orElseThrow(), "Cue " + i, "3", ""));
        }
        CueStandin desk = new CueStandin(net.asking("64.1.1"), cues, manner, e -> {});
        opened.add(desk);
        desk.start(PORT);
        return desk;
    }

    private CueDialogue dialogue() throws IOException {
        CueDialogue dialogue = new CueDialogue(net.armed("64.1.2"), net.at("64.1.1"), PORT, MessageSet.EXAMPLE);
        opened.add(dialogue);
        dialogue.start(0);
        return dialogue;
    }

    private static boolean tell(CueDialogue dialogue, Use use, String... values) throws IOException {
        return dialogue.tell(MessageSet.EXAMPLE.of(use).orElseThrow().fill(List.of(values)));
    }

    @Test
    void cuesAreFetchedTheRunningOneFollowedAndLabelsSet() throws IOException {
        CueStandin desk = desk(Manner.WELL);
        CueDialogue dialogue = dialogue();
        dialogue.askCues();
        net.until(() -> dialogue.state().complete());
        assertThat(dialogue.state().cues()).hasSize(MANY);
        assertThat(dialogue.state().cues().get(1))
                .isEqualTo(new Cue("2", CueNumber.of("2.25").orElseThrow(), "Cue 2", "3", ""));
        assertThat(tell(dialogue, Use.NEXT)).isTrue();
        net.until(() -> dialogue.state().running().equals(Optional.of("2/1.25")));
        tell(dialogue, Use.GO_TO, "2", "7.25");
        net.until(() -> dialogue.state().running().equals(Optional.of("2/7.25")));
        assertThat(desk.running().orElseThrow().label()).isEqualTo("Cue 7");
        tell(dialogue, Use.LABEL, "2", "7.25", "Lantern walk");
        tell(dialogue, Use.LEVEL, "12", "75 %");
        net.until(() -> desk.running().orElseThrow().label().equals("Lantern walk"));
        net.until(() -> dialogue.state().channels().equals(List.of(new CueDialogue.Channel(12, "0.75", "channel 12"))));
        assertThat(dialogue.state().notRead()).isZero();

        desk.close();
        net.until(() -> !dialogue.state().there());
        CueStandin again = desk(Manner.WELL);
        net.until(() -> dialogue.state().there());
        dialogue.askCues();
        net.until(() -> dialogue.state().complete());
        assertThat(again.running()).isEmpty();
    }

    @Test
    void strangersAndDesksThatMisbehaveAreCountedAndNotTaken() throws IOException {
        desk(Manner.WRONG_TYPES);
        CueDialogue dialogue = dialogue();
        dialogue.askCues();
        net.until(() -> dialogue.state().notRead() > MANY / 2);
        assertThat(dialogue.state().cues()).isEmpty();
        assertThat(dialogue.state().complete()).isFalse();
    }

    @Test
    void aSilentDeskIsNotThereAndAStrangerIsNotIt() throws IOException {
        desk(Manner.SILENT);
        CueDialogue dialogue = new CueDialogue(net.armed("64.1.2"), net.at("64.1.1"), PORT, MessageSet.EXAMPLE);
        opened.add(dialogue);
        dialogue.start(PORT + 1);
        dialogue.askCues();
        UdpPort stranger = net.sending("64.1.3");
        net.site("64.1.3", new OutputGuard(OutputGuard.State.LISTEN))
                .host()
                .call(() -> stranger.send(
                        SendIntent.SETTING,
                        net.at("64.1.2"),
                        PORT + 1,
                        OscCodec.encode(new OscMessage("/fern/cues/end", List.of()))));
        net.until(() -> dialogue.state().strangers() == 1);
        assertThat(dialogue.state().there()).isFalse();
        assertThat(dialogue.state().heard()).isZero();
    }

    @ParameterizedTest
    @EnumSource(
            value = Manner.class,
            names = {"LATE", "FLOODS"})
    void lateAnswersComeAndAFloodIsCounted(Manner manner) throws IOException {
        desk(manner);
        CueDialogue dialogue = dialogue();
        OscMonitor monitor = new OscMonitor(net.asking("64.1.4").host(), a -> a.startsWith("/fern/"));
        opened.add(monitor);
        monitor.listen(net.asking("64.1.4").adapter(), PORT + 2);
        UdpPort asking = net.sending("64.1.4");
        dialogue.askCues();
        net.until(() -> dialogue.state().complete() || dialogue.state().cues().size() > MANY * 9 / 10);
        if (manner == Manner.FLOODS) {
            net.until(() -> dialogue.state().heard() > 2_000);
        }
        byte[] odd = OscCodec.encode(new OscMessage("/other/thing", List.of()));
        byte[] known = OscCodec.encode(new OscMessage("/fern/next", List.of()));
        net.asking("64.1.4").host().run(() -> {
            for (int i = 0; i < 5; i++) {
                asking.send(SendIntent.SETTING, net.at("64.1.4"), PORT + 2, odd);
                asking.send(SendIntent.SETTING, net.at("64.1.4"), PORT + 2, known);
            }
            asking.send(SendIntent.SETTING, net.at("64.1.4"), PORT + 2, new byte[] {'/', 'x'});
        });
        net.until(() -> monitor.seen(10).packets() == 11);
        OscMonitor.Seen seen = monitor.seen(10);
        assertThat(seen.messages()).isEqualTo(10);
        assertThat(seen.unreadable()).isEqualTo(1);
        assertThat(seen.rows())
                .extracting(r -> r.address() + " " + r.messages() + " " + r.matched())
                .containsExactly("/fern/next 5 true", "/other/thing 5 false");
    }
}
