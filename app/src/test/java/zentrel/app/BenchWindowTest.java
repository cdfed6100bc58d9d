package zentrel.app;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static zentrel.app.Fx.click;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.app.bench.BenchPage;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Guarded;
import zentrel.net.OutputGuard;
import zentrel.net.real.RealNet;
import zentrel.packet.Bytes;
import zentrel.packet.pcap.PcapngWriter;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AddressOrigin;
import zentrel.plan.Delivery;
import zentrel.plan.Edit;
import zentrel.plan.Kind;
import zentrel.plan.Setting;
import zentrel.profile.Protocol;
import zentrel.standin.ConsoleSpec;
import zentrel.standin.ConsoleStandin;
import zentrel.standin.ConsoleStream;
import zentrel.standin.NodeStandin;
import zentrel.standin.NodeTraits;
import zentrel.standin.StandinPort;
import zentrel.standin.StandinSite;
import zentrel.universe.SacnUniverse;

/** The live network in a real window: found beside planned, set, taken over; levels seen; sent and stopped by one key. */
class BenchWindowTest extends OpenWindow {
    private static final String NODE = "127.67.20.4";

    private static StandinSite site(RealNet net, String at, OutputGuard guard) throws Exception {
        return new StandinSite(new Guarded(net, guard), net.require(Ipv4Address.parse(at)));
    }

    @Test
    void aNodeOfThePlanIsFoundDiffersIsSetAndIsThenAsPlanned(FxRobot robot) throws Exception {
        plan();
        int planned = fx(() -> document.plan()
                .index()
                .port(Kind.PORT.id("jetty-node.p1"))
                .wire()
                .orElseThrow()
                .planned());
        fx(() -> {
            document.apply(new Edit(
                    "An address of loopback for the Jetty node",
                    p -> p.with(
                            p.index()
                                    .host(Kind.HOST.id("jetty-node"))
                                    .adapters()
                                    .get(0)
                                    .id(),
                            a -> a.withAddress(
                                    0,
                                    new AdapterAddress(
                                            Setting.of(HostAddress.parse(NODE + "/8")), AddressOrigin.MANUAL)))));
            return true;
        });
        RealNet net = new RealNet();
        NodeStandin node = new NodeStandin(
                site(net, NODE, new OutputGuard(OutputGuard.State.ASK)),
                "Jetty node",
                List.of(new StandinPort("1", Protocol.ARTNET, planned + 1, true, true)),
                true,
                NodeTraits.usual("Jetty node"),
                a -> false,
                e -> {});
        try {
            node.start();
            fx(() -> {
                window.show(BenchPage.class);
                return true;
            });
            click(robot, "#live-listen");
            waitFor("Only group joins leave");
            assertThat(fx(() -> window.output().isArmed())).isFalse();
            click(robot, "#live-ask");
            waitFor("Polls and pings leave");
            fx(() -> {
                document.select(Kind.HOST.id("jetty-node"));
                return true;
            });
            waitFor("It is taken for this one by name");
            waitFor("Would be sent: port 1 to Art-Net " + planned);
            waitFor("Arm first");
            click(robot, "#live-arm");
            waitFor("is ARMED");
            settled(() -> !robot.lookup("#live-set").queryButton().isDisabled());
            click(robot, "#live-set");
            waitFor("Confirmed by its answer");
            robot.push(KeyCode.F12);
            settled(() -> !window.output().isArmed());
            waitFor("Polls and pings leave");
        } finally {
            node.close();
            net.close();
        }
    }

    @Test
    void aSourceIsSeenWithItsLevelsAndSendingSaysWhomItOverrides(FxRobot robot) throws Exception {
        plan();
        RealNet net = new RealNet();
        ConsoleStandin desk = new ConsoleStandin(
                site(net, "127.67.1.9", OutputGuard.armed(RealNet.loopbackName())),
                new ConsoleSpec(
                        "Visiting desk",
                        new UUID(6, 7),
                        List.of(new ConsoleStream(
                                "a", Protocol.SACN, 31, Delivery.MULTICAST, List.of(), 100, 40, false)),
                        true,
                        Optional.empty()),
                e -> {});
        try {
            desk.setSlot("a", 7, 201);
            desk.start();
            fx(() -> {
                window.show(BenchPage.class);
                return true;
            });
            click(robot, "#live-listen");
            waitFor("Visiting desk");
            fx(() -> {
                robot.lookup("#live-universes")
                        .queryAs(ListView.class)
                        .getSelectionModel()
                        .select(0);
                return true;
            });
            waitFor("With priority 100 what is sent here is merged with it");
            click(robot, "#send-borrow");
            waitFor("With priority 101 what is sent here overrides all of it");
            click(robot, "#bench-levels");
            fx(() -> {
                ComboBox<?> unit = robot.lookup("#levels-unit").queryAs(ComboBox.class);
                unit.getSelectionModel().select(1);
                return true;
            });
            settled(() ->
                    robot.lookup("#levels-grid").query().getAccessibleText().startsWith("1 of 512 slots are up"));
            click(robot, "#bench-live");
            click(robot, "#live-arm");
            waitFor("is ARMED");
            settled(() -> !robot.lookup("#send-start").queryButton().isDisabled());
            // what is typed while it counts is not what is sent; stopping all output calls it off, for good
            click(robot, "#send-start");
            waitFor("Taking over in");
            robot.push(KeyCode.F12);
            settled(() -> !window.output().isArmed());
            click(robot, "#live-arm");
            waitFor("is ARMED");
            await().during(Duration.ofSeconds(4)).atMost(Duration.ofSeconds(10)).until(() -> !shows("Sending sACN"));
            click(robot, "#send-start");
            waitFor("Taking over in");
            fx(() -> {
                robot.lookup("#send-universes").queryAs(TextField.class).setText("32");
                return true;
            });
            waitFor("Sending sACN 31");
            Path sealed = home.resolve("as-it-worked.json");
            fx(() -> {
                window.view(BenchPage.class).seal(sealed);
                return true;
            });
            waitFor("Nothing changed.");
            fx(() -> {
                window.view(BenchPage.class).since(sealed);
                return true;
            });
            robot.push(KeyCode.F12);
            waitFor("Zentrel stops sending");
            waitFor("sACN 31 comes from Visiting desk 100, and came from");
            settled(() -> !window.output().isArmed());
        } finally {
            desk.close();
            net.close();
        }
    }

    @Test
    void aRecordingIsPlayedUpToItsDamageAndWhatIsNoneIsSaid(FxRobot robot) throws Exception {
        plan();
        Path none = home.resolve("none.pcap");
        Files.writeString(none, "Nothing to see here, and nothing to play.");
        fx(() -> {
            window.show(BenchPage.class);
            window.view(BenchPage.class).play(none);
            return true;
        });
        waitFor("none.pcap is no recording in pcap or pcapng");

        Path cut = home.resolve("cut.pcapng");
        ByteArrayOutputStream whole = new ByteArrayOutputStream();
        Ipv4Address hut = Ipv4Address.parse("10.64.0.9");
        try (PcapngWriter writer = new PcapngWriter(whole)) {
            for (int i = 0; i < 60; i++) {
                byte[] payload = SacnCodec.encode(
                        new SacnData(new UUID(3, 4), "Hut desk", 100, 0, i, false, false, false, 31, 0, Bytes.of(77)));
                writer.write(i * 25_000_000L, "net0", hut, 5568, SacnUniverse.group(31), 5568, 20, payload);
            }
        }
        Files.write(cut, Arrays.copyOf(whole.toByteArray(), whole.size() - 100));
        fx(() -> {
            window.view(BenchPage.class).play(cut);
            return true;
        });
        waitFor("sACN 31");
        waitFor("Hut desk at 10.64.0.9, priority 100");
        waitFor("ends within");

        waitFor("stops without a word");
        Slider time = robot.lookup("#live-time").queryAs(Slider.class);
        settled(time::isVisible);
        fx(() -> {
            robot.lookup("#live-speed").queryComboBox().getSelectionModel().select(0);
            time.setValue(0.5);
            return true;
        });
        settled(() -> Math.abs(time.getValue() - 0.5) < 0.01);
        waitFor("40/s");
        click(robot, "#live-step");
        settled(() -> Math.abs(time.getValue() - 0.6) < 0.01);
    }

    @Test
    void thePlanIsRehearsedAsANetAndNothingLeaves(FxRobot robot) throws Exception {
        plan();
        fx(() -> {
            window.show(BenchPage.class);
            return true;
        });
        click(robot, "#live-where");
        settled(() -> choose(robot.lookup("#live-where").queryComboBox(), "Rehearsal, Stream"));
        click(robot, "#live-ask");
        waitFor("nothing leaves this computer. Asking");
        fx(() -> {
            document.select(Kind.HOST.id("glasshouse-node"));
            return true;
        });
        waitFor("It is taken for this one by");
        settled(() -> robot.lookup("#live-universes").queryListView().getItems().size() > 3);
        click(robot, "#live-arm");
        waitFor("within the rehearsal");
        assertThat(fx(() -> window.output().wordsProperty().get())).contains("rehearsal");
        robot.push(KeyCode.F12);
        settled(() -> !window.output().isArmed());

        // what is no address is said, and stays to be mended
        click(robot, "#live-also").write("10.41.20.999");
        robot.push(KeyCode.ENTER);
        settled(() -> document.noticeProperty().get() != null
                && document.noticeProperty().get().text().contains("10.41.20.999"));
        assertThat(robot.lookup("#live-also").queryAs(TextField.class).getText())
                .isEqualTo("10.41.20.999");

        fx(() -> {
            document.apply(new Edit(
                    "Switch off the Glasshouse node",
                    p -> p.with(
                            Kind.HOST.id("glasshouse-node"),
                            h -> h.withPower(h.power().withOn(false)))));
            return true;
        });
        waitFor("The plan has changed since");
        click(robot, "#live-ask");
        await().atMost(30, SECONDS).until(() -> !shows("The plan has changed since"));
        waitFor("It has not been found");
    }

    private static <T> boolean choose(ComboBox<T> from, String title) {
        return from.getItems().stream()
                .filter(i -> from.getConverter().toString(i).equals(title))
                .findFirst()
                .map(i -> {
                    from.setValue(i);
                    from.hide();
                    return true;
                })
                .orElse(false);
    }
}
