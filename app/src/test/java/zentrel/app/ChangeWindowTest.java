package zentrel.app;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static zentrel.app.Fx.click;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.app.bench.BenchPage;
import zentrel.app.gear.GearPage;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Guarded;
import zentrel.net.OutputGuard;
import zentrel.net.real.RealNet;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.standin.LevelStandin;
import zentrel.standin.StandinPort;
import zentrel.standin.StandinSite;

/** The real window: values changed where they are read, planned, typed in, heard; a rig typed from a paper list. */
class ChangeWindowTest extends OpenWindow {
    private static final Id<Adapter> CONTROL = Kind.ADAPTER.id("hut-console.control");

    /** Opens the field of a setting by keyboard, types into it and ends with these keys. */
    private void retype(FxRobot robot, String reads, String text, KeyCode... end) {
        settled(() -> value(robot, reads).isPresent());
        fx(() -> {
            value(robot, reads).orElseThrow().requestFocus();
            return true;
        });
        robot.push(KeyCode.ENTER);
        settled(() -> robot.lookup("#setting-field").tryQuery().isPresent());
        fx(() -> {
            robot.lookup("#setting-field").queryAs(TextInputControl.class).setText(text);
            return true;
        });
        robot.push(end);
    }

    private static Optional<Node> value(FxRobot robot, String reads) {
        return robot.lookup(".setting").queryAll().stream()
                .filter(n -> String.valueOf(n.getAccessibleText()).contains(", " + reads + ","))
                .findFirst();
    }

    private HostAddress inForce() {
        return plan().index().adapter(CONTROL).addresses().get(0).inForce();
    }

    @Test
    void anAddressIsChangedWithEveryPlaceThatKeepsItAndEachStepIsUndoneByItself(FxRobot robot) {
        choose(Kind.HOST.id("hut-console"));
        retype(robot, "10.42.1.1", "10.42.1.9", KeyCode.ENTER);
        settled(() ->
                robot.lookup("#change-set").tryQuery().filter(Node::isFocused).isPresent());
        assertThat(inForce()).as("nothing is changed before it is said").hasToString("10.42.1.1/16");
        robot.push(KeyCode.ENTER);
        settled(() -> document.plan()
                .index()
                .adapter(CONTROL)
                .addresses()
                .get(0)
                .inForce()
                .toString()
                .equals("10.42.1.9/16"));
        assertThat(plan().index().get(Kind.LINK.id("go-link")).destination().inForce())
                .hasToString("10.42.1.9");
        assertThat(plan().copies())
                .filteredOn(c -> c.of().equals(CONTROL))
                .allSatisfy(c -> assertThat(c.value().inForce()).isEqualTo("10.42.1.9"));
        for (int i = 0; i < 5; i++) {
            robot.push(KeyCode.CONTROL, KeyCode.Z);
        }
        settled(() -> document.plan().equals(FernlightTrail.ready()));
    }

    @Test
    void aChangeIsPlannedThenTypedInAndOnlyThenInForce(FxRobot robot) {
        choose(Kind.RECEIVER.id("boathouse-node-rx"));
        retype(robot, "Art-Net 4", "40 000", KeyCode.ENTER);
        settled(() -> document.noticeProperty().get() != null);
        assertThat(fx(() -> document.noticeProperty().get()).text()).isEqualTo("\"40 000\" is no whole number.");
        robot.push(KeyCode.ESCAPE);
        retype(robot, "Art-Net 4", "104", KeyCode.SHIFT, KeyCode.ENTER);
        settled(() -> robot.lookup("#change-later").tryQuery().isPresent());
        click(robot, "#change-later");
        Id<Port> port = Kind.PORT.id("boathouse-node.p1");
        settled(() -> document.plan().index().port(port).wire().orElseThrow().isPending());
        assertThat(plan().index().port(port).wire().orElseThrow()).hasToString("104 (now 4)");
        assertThat(fx(() -> document.reportProperty().get().isBroken()))
                .as("what is in force still works")
                .isFalse();
        choose(Kind.HOST.id("boathouse-node"));
        settled(() -> robot.lookup(".check-box").tryQuery().isPresent());
        fx(() -> {
            robot.lookup(".check-box").query().requestFocus();
            return true;
        });
        robot.push(KeyCode.SPACE);
        settled(() -> document.plan().index().port(port).wire().orElseThrow().entered()
                || !document.plan().index().port(port).wire().orElseThrow().isPending());
        if (plan().index().port(port).wire().orElseThrow().entered()) {
            settled(() -> robot.lookup("#in-force").tryQuery().isPresent());
            fx(() -> {
                robot.lookup("#in-force").queryButton().fire();
                return true;
            });
        }
        settled(() -> !document.plan().index().port(port).wire().orElseThrow().isPending());
    }

    @Test
    void whatIsHeardOfADeviceTicksItsSettingsOff(FxRobot robot) throws Exception {
        Ipv4Address at = Ipv4Address.parse("127.93.0.7");
        Id<Port> port = Kind.PORT.id("boathouse-node.p1");
        Plan waiting = FernlightTrail.ready()
                .with(
                        Kind.ADAPTER.id("boathouse-node.network"),
                        a -> a.withAddress(
                                0,
                                new AdapterAddress(
                                        new Setting<>(
                                                new HostAddress(at, 8),
                                                a.addresses().get(0).inForce()),
                                        AddressOrigin.MANUAL)))
                .with(port, p -> p.withWire(new Setting<>(44, 4)));
        fx(() -> {
            document.show(LoadedPlan.of(waiting));
            window.show(BenchPage.class);
            window.view(zentrel.app.bench.BenchPage.class).showSignal();
            return true;
        });
        plan();
        RealNet net = new RealNet();
        try (LevelStandin node = new LevelStandin(
                new StandinSite(new Guarded(net, new OutputGuard(OutputGuard.State.ASK)), net.require(at)),
                "Boathouse node",
                List.of(new StandinPort("p1", Protocol.ARTNET, 44, true, true)),
                true,
                e -> {})) {
            node.start();
            fx(() -> {
                robot.lookup("#hear-adapter").queryAs(TextInputControl.class).setText("127.93.0.99");
                return true;
            });
            click(robot, "#hear");
            settled(() -> robot.lookup("#hear-tick").query().isVisible());
        }
        click(robot, "#hear-tick");
        settled(() -> !document.plan().index().port(port).wire().orElseThrow().isPending());
        assertThat(plan().index().port(port).wire().orElseThrow()).isEqualTo(Setting.of(44));
        assertThat(plan().index()
                        .adapter(Kind.ADAPTER.id("boathouse-node.network"))
                        .addresses()
                        .get(0)
                        .inForce()
                        .address())
                .isEqualTo(at);
    }

    @Test
    void addressesAreGivenOutAnewButForThePinnedOne(FxRobot robot) {
        plan();
        Id<Adapter> desk = Kind.ADAPTER.id("hut-console.stream");
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT3);
        settled(() -> robot.lookup("#address-list").tryQuery().isPresent());
        fx(() -> {
            document.select(desk);
            return true;
        });
        settled(() -> robot.lookup("#address-list")
                        .queryAs(javafx.scene.control.ListView.class)
                        .getSelectionModel()
                        .getSelectedIndex()
                == 0);
        fx(() -> {
            robot.lookup("#address-list").query().requestFocus();
            return true;
        });
        settled(() -> robot.lookup("#address-list").query().isFocused());
        robot.push(KeyCode.P);
        settled(() -> document.plan().index().adapter(desk).pinned());
        Plan before = plan();
        fx(() -> {
            robot.lookup("#address-give").queryButton().fire();
            robot.lookup("#give-anew")
                    .queryAs(javafx.scene.control.CheckBox.class)
                    .fire();
            robot.lookup("#give-pool").queryAs(TextInputControl.class).setText("many"); // refused in a sentence
            robot.lookup("#give-show").queryButton().fire();
            return true;
        });
        settled(() -> document.noticeProperty().get() != null);
        assertThat(fx(() -> document.noticeProperty().get()).text()).contains("\"many\" will not do");
        fx(() -> {
            robot.lookup("#give-pool").queryAs(TextInputControl.class).setText("0");
            robot.lookup("#give-show").queryButton().fire();
            return true;
        });
        settled(() -> !robot.lookup("#give-set").query().isDisabled());
        assertThat(plan()).as("nothing is changed by looking").isEqualTo(before);
        fx(() -> {
            robot.lookup("#give-set").queryButton().fire();
            return true;
        });
        Id<Adapter> node = Kind.ADAPTER.id("glasshouse-node.network");
        settled(() ->
                !document.plan().index().adapter(node).equals(before.index().adapter(node)));
        assertThat(plan().index().adapter(desk)).isEqualTo(before.index().adapter(desk));
        assertThat(fx(() -> document.reportProperty().get().isBroken())).isFalse();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(before));
        fx(() -> {
            robot.lookup("#address-advice").queryButton().fire();
            return true;
        });
        settled(() -> robot.lookup("#advice-stream").tryQuery().isPresent());
        robot.push(KeyCode.ESCAPE);
        settled(() -> robot.lookup("#address-here").tryQuery().isPresent());
        fx(() -> {
            robot.lookup("#address-here").queryButton().fire();
            return true;
        });
        settled(() -> robot.lookup("127.0.0.1/8").tryQuery().isPresent());
        robot.push(KeyCode.ESCAPE);
        settled(() -> robot.lookup("#address-list").tryQuery().isPresent());
    }

    /** A pin moved by keys, several rows numbered at once, a table taken over: each previewed, each one undo. */
    @Test
    void manyAddressesChangeByPinByRowsAndByTable(FxRobot robot) {
        Plan ready = plan();
        Id<Adapter> pergola = Kind.ADAPTER.id("pergola-controller.network");
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT3);
        settled(() -> robot.lookup("#address-more").tryQuery().isPresent());
        fx(() -> {
            robot.lookup((javafx.scene.Node n) -> n.getStyleClass().contains("pin") && pergola.equals(n.getUserData()))
                    .query()
                    .requestFocus();
            return true;
        });
        robot.push(KeyCode.SHIFT, KeyCode.RIGHT);
        robot.push(KeyCode.SHIFT, KeyCode.RIGHT);
        settled(() -> robot.lookup("#ruler-ghost").queryLabeled().getText().equals("10.41.30.3 · breaks nothing"));
        assertThat(plan()).as("nothing is changed by looking").isEqualTo(ready);
        robot.push(KeyCode.ENTER);
        settled(() -> address(pergola).equals("10.41.30.3/16"));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(ready));
        plan(); // with its findings
        var list = robot.lookup("#address-list").queryListView();
        fx(() -> {
            list.getSelectionModel().clearSelection();
            list.getSelectionModel().selectRange(5, 8); // three nodes
            list.scrollTo(4);
            list.requestFocus();
            return true;
        });
        robot.push(KeyCode.F2);
        settled(() -> robot.lookup("#address-field").tryQuery().isPresent());
        fx(() -> {
            robot.lookup("#address-field").queryAs(TextInputControl.class).setText("10.41.77.1");
            return true;
        });
        robot.push(KeyCode.ENTER);
        settled(() -> address(Kind.ADAPTER.id("boathouse-node.network")).equals("10.41.77.3/16"));
        assertThat(fx(() -> address(Kind.ADAPTER.id("glasshouse-node.network"))))
                .isEqualTo("10.41.77.1/16");
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(ready));
        plan(); // with its findings
        fx(() -> {
            Fx.menu(robot, "#address-more", "address-import");
            robot.lookup("#import-text")
                    .queryAs(TextInputControl.class)
                    .setText("Name;IP\nJetty node;10.41.22.9\nMoon node;10.41.22.10\n");
            return true;
        });
        settled(() -> !robot.lookup("#import-set").query().isDisabled());
        assertThat(robot.lookup("Row 3: no device of the plan is called \"Moon node\"")
                        .tryQuery())
                .isPresent();
        fx(() -> {
            robot.lookup("#import-set").queryButton().fire();
            return true;
        });
        settled(() -> address(Kind.ADAPTER.id("jetty-node.network")).equals("10.41.22.9/16"));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(ready));
        plan(); // with its findings
        fx(() -> {
            Fx.menu(robot, "#address-more", "address-export");
            return true;
        });
        settled(() -> robot.lookup("#export-text")
                .queryAs(TextInputControl.class)
                .getText()
                .startsWith("Host,Place"));
        robot.push(KeyCode.ESCAPE);
        settled(() -> robot.lookup("#address-more").tryQuery().isPresent());
    }

    private String address(Id<Adapter> id) {
        return document.plan().index().adapter(id).addresses().get(0).inForce().toString();
    }

    @Test
    void aSegmentMovesByKeyboardAfterItsStepsWereSeen(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT3);
        settled(() -> robot.lookup("#address-more").tryQuery().isPresent());
        fx(() -> {
            Fx.menu(robot, "#address-more", "address-move");
            robot.lookup("#move-range").queryAs(TextInputControl.class).setText("10.41.0.0/29");
            return true;
        });
        settled(() -> robot.lookup("#move-range").query().isFocused());
        robot.push(KeyCode.ENTER);
        settled(() -> document.noticeProperty().get() != null);
        assertThat(fx(() -> document.noticeProperty().get()).text())
                .contains("has room for 6. A mask of /28 would do.");
        fx(() -> {
            robot.lookup("#move-range").queryAs(TextInputControl.class).setText("10.99.0.0/16");
            return true;
        });
        robot.push(KeyCode.ENTER);
        settled(() -> !robot.lookup("#move-set").query().isDisabled());
        assertThat(plan()).as("nothing is changed by looking").isEqualTo(FernlightTrail.ready());
        fx(() -> {
            robot.lookup("#move-set").queryButton().fire();
            return true;
        });
        settled(() -> document.plan()
                .index()
                .segment(Kind.SEGMENT.id("stream"))
                .subnet()
                .orElseThrow()
                .toString()
                .equals("10.99.0.0/16"));
        assertThat(plan().index()
                        .adapter(Kind.ADAPTER.id("boathouse-node.network"))
                        .addresses()
                        .get(0)
                        .inForce())
                .hasToString("10.99.22.3/16");
        assertThat(fx(() -> document.reportProperty().get().isBroken())).isFalse();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(FernlightTrail.ready()));
    }

    @Test
    void whatToTypeOnAComputerIsShownAndCopied(FxRobot robot) {
        choose(Kind.HOST.id("office-computer"));
        settled(() -> robot.lookup("#machine-copy").tryQuery().isPresent());
        fx(() -> {
            robot.lookup("#machine-show").queryButton().fire();
            robot.lookup("#machine-copy").queryButton().fire();
            return true;
        });
        assertThat(fx(() -> javafx.scene.input.Clipboard.getSystemClipboard().getString()))
                .contains("New-NetIPAddress -InterfaceAlias 'Stream' -IPAddress 10.41.60.7 -PrefixLength 16")
                .contains("-LocalPort 5568");
        fx(() -> {
            robot.lookup("#machine-back").queryButton().fire();
            return true;
        });
        assertThat(fx(() -> javafx.scene.input.Clipboard.getSystemClipboard().getString()))
                .contains("-Dhcp Enabled")
                .contains("Remove-NetFirewallRule");
    }

    /**
     * Sixty hosts with name, place and address as they stand on paper. The time is reckoned by the keystroke-level model of
     * Card, Moran and Newell (1980), values from memory: 0.28 s a key for somebody who is no typist, 1.35 s to think before each
     * line, and as much again to read it.
     */
    @Test
    void sixtyHostsFromAPaperListTakeLessThanAQuarterOfAnHour(FxRobot robot) {
        fx(() -> {
            document.show(LoadedPlan.of(Plan.EMPTY));
            window.showPage(0);
            window.view(GearPage.class).say();
            return true;
        });
        plan();
        List<String> lines = new ArrayList<>(List.of(
                "segment Stream 10.41.0.0/16",
                "segment Control 10.42.0.0/16",
                "full console called Hut console in Control hut at 10.41.1.1",
                "full console called Backup console in Control hut at 10.41.1.2",
                "show called Cue computer in Control hut on control at 10.42.1.5",
                "previs key called Office previs in Site office at 10.41.60.7",
                "paperwork called Office computer in Site office on control at 10.42.60.1",
                "2 tablet called Tablet in Control hut on control at 10.42.9.20",
                "2 switch managed poe called Hut switch in Control hut",
                "3 wifi called Radio in Control hut on control at 10.42.9.1"));
        String[] places = {"Glasshouse", "Boathouse", "Jetty", "Orchard", "Rockery", "Reed bed", "Weir", "Terrace"};
        for (int i = 0; i < places.length; i++) {
            lines.add("3 node 4 called " + places[i] + " node in " + places[i] + " at 10.41." + (20 + i) + ".1");
            lines.add("2 pixel 9 called " + places[i] + " pixel in " + places[i] + " at 10.41." + (40 + i) + ".1");
            lines.add("switch unmanaged called " + places[i] + " switch in " + places[i]);
        }
        int keys = 0;
        for (String line : lines) {
            int before = plan().hosts().size() + plan().segments().size();
            fx(() -> {
                window.view(GearPage.class).say();
                robot.lookup("#gear-words").queryAs(TextInputControl.class).setText(line);
                return true;
            });
            settled(() -> !robot.lookup(".worded .offer").queryAll().isEmpty());
            robot.push(KeyCode.ENTER);
            await(line)
                    .atMost(30, SECONDS)
                    .until(() -> fx(() -> document.plan().hosts().size()
                                    + document.plan().segments().size()
                            > before));
            keys += line.length() + 1;
        }
        Plan plan = plan();
        assertThat(plan.hosts()).hasSizeGreaterThanOrEqualTo(60);
        assertThat(plan.hosts().stream()
                        .flatMap(h -> h.adapters().stream())
                        .flatMap(a -> a.addresses().stream())
                        .map(a -> a.inForce().address()))
                .contains(
                        Ipv4Address.parse("10.41.27.3"),
                        Ipv4Address.parse("10.42.9.21"),
                        Ipv4Address.parse("10.41.47.2"));
        Set<String> rules = document.reportProperty().get().findings().stream()
                .map(zentrel.check.Finding::rule)
                .collect(java.util.stream.Collectors.toSet());
        assertThat(rules).as("nothing but what is not wired yet").isSubsetOf(Set.of());
        double seconds = keys * 0.28 + lines.size() * 2 * 1.35;
        System.out.printf(
                "paper list: %d hosts, %d lines, %d keys, %.0f s by the model%n",
                plan.hosts().size(), lines.size(), keys, seconds);
        assertThat(seconds).isLessThan(15 * 60);
    }
}
