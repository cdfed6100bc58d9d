package zentrel.standin;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.live.DeskWatch;
import zentrel.live.DeskWatch.SeenDesk;
import zentrel.net.TriedNet;
import zentrel.packet.desk.DeskPacket.State;
import zentrel.plan.Part;
import zentrel.plan.VersionRule;

/** Stand-ins of a session, real on loopback and simulated: they find each other, enter, are refused, follow, lose and take over. */
@ParameterizedClass(name = "{0}")
@EnumSource(TriedNet.Kind.class)
class DeskStandinTest {
    private static final String SESSION = "Trail";

    private final TriedNet net;
    private final List<DeskStandin> opened = new ArrayList<>();
    private final List<StandinEvent.Desk> events = java.util.Collections.synchronizedList(new ArrayList<>());

    DeskStandinTest(TriedNet.Kind kind) {
        net = kind.open();
    }

    @AfterEach
    void close() {
        opened.forEach(DeskStandin::close);
        net.close();
    }

    private DeskStandin desk(String at, String name, Part part, String version, String key, String show)
            throws IOException {
        return desk(at, new DeskSpec(SESSION, name, part, version, key, VersionRule.EXACT, show, true));
    }

    private DeskStandin desk(String at, DeskSpec spec) throws IOException {
        DeskStandin standin = new DeskStandin(net.armed(at), spec, e -> events.add((StandinEvent.Desk) e));
        opened.add(standin);
        standin.start();
        return standin;
    }

    @Test
    void desksEnterFollowAndTheBackupTakesOver() throws IOException {
        DeskWatch watch = new DeskWatch(net.asking("63.1.9").host(), a -> false);
        watch.start(net.asking("63.1.9").adapter());
        DeskStandin backup = desk("63.1.2", "backup", Part.BACKUP, "4.2.0.18", "marrow", "old show");
        assertThat(backup.state()).isEqualTo(State.ALONE);
        DeskStandin main = desk("63.1.1", "hut", Part.PRIMARY, "4.2.0.18", "marrow", "Fernlight");
        DeskStandin remote = desk("63.1.3", "tablet", Part.REMOTE, "4.2.0.18", "marrow", "");
        net.until(() -> backup.state() == State.IN_STEP && remote.state() == State.IN_STEP);
        assertThat(main.state()).isEqualTo(State.LEADS);
        assertThat(backup.show()).isEqualTo("Fernlight");
        assertThat(events)
                .contains(new StandinEvent.Desk("backup", "in step", "“Fernlight” is open in place of “old show”"));
        main.go(7, 0.5f);
        net.until(() -> backup.position() == 7 && remote.position() == 7);
        net.until(() ->
                states(watch).equals(Map.of("hut", State.LEADS, "backup", State.IN_STEP, "tablet", State.IN_STEP)));

        main.close();
        net.until(() -> backup.state() == State.LEADS);
        assertThat(events).contains(new StandinEvent.Desk("backup", "leads", "takes over from hut at cue 7"));
        net.until(() -> remote.state() == State.IN_STEP && states(watch).get("backup") == State.LEADS);
        assertThat(backup.position()).isEqualTo(7);
        net.until(() -> watch.seen().stream().anyMatch(d -> d.name().equals("hut") && d.silent()));

        DeskStandin again = desk("63.1.1", "hut", Part.PRIMARY, "4.2.0.18", "marrow", "Fernlight");
        net.until(() -> again.state() == State.IN_STEP);
        assertThat(events).contains(new StandinEvent.Desk("hut", "is backup", "backup leads already"));
        net.until(() -> again.position() == 7);
        assertThat(events).extracting(StandinEvent.Desk::state).doesNotContain("leads too");
    }

    @Test
    void anotherVersionOrKeyIsRefusedAndAnotherSessionNotFound() throws IOException {
        desk("63.2.1", "hut", Part.PRIMARY, "4.2.0.18", "marrow", "Fernlight");
        DeskStandin older = desk("63.2.2", "older", Part.BACKUP, "4.2.0.17", "marrow", "");
        DeskStandin shorter = desk("63.2.3", "shorter", Part.BACKUP, "4.2", "marrow", "");
        DeskStandin wrong = desk("63.2.4", "wrong", Part.REMOTE, "4.2.0.18", "turnip", "");
        DeskStandin elsewhere = desk(
                "63.2.5", new DeskSpec("Pier", "pier", Part.REMOTE, "4.2.0.18", "marrow", VersionRule.ANY, "", true));
        DeskStandin waits = desk(
                "63.2.6",
                new DeskSpec(SESSION, "waits", Part.REMOTE, "4.2.0.18", "marrow", VersionRule.ANY, "", false));
        net.until(() -> older.state() == State.VERSION_REFUSED
                && shorter.state() == State.VERSION_REFUSED
                && wrong.state() == State.KEY_REFUSED
                && waits.state() == State.FOUND);
        assertThat(elsewhere.state()).isEqualTo(State.ALONE);
    }

    private static Map<String, State> states(DeskWatch watch) throws IOException {
        Map<String, State> states = new ConcurrentHashMap<>();
        for (SeenDesk desk : watch.seen()) {
            states.put(desk.name(), desk.state());
        }
        return states;
    }
}
