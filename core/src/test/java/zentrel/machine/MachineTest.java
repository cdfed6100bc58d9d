package zentrel.machine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.Witnesses;
import zentrel.demo.FernlightTrail;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.OperatingSystem;
import zentrel.text.PlainTextTest;

/** What is typed on computers and told to servers, read back by a real shell and by the servers' own syntax checks. */
class MachineTest {
    /** Names that somebody may give an adapter, to the harm of a careless command. */
    private static final List<String> ODD = List.of(
            "it's \"Stream\"",
            "$(touch gone)",
            "`touch gone`",
            "a; touch gone",
            "-x",
            "a\\",
            "% & | < >",
            "‘quoted’",
            "Ünïcode 走",
            "Port [1] * ?",
            "#",
            "dhcp-script=/bin/touch gone",
            "'",
            "''");

    @TempDir
    static Path folder;

    private static Plan withMacs(Plan plan) {
        Plan next = plan;
        int number = 0;
        for (Host host : plan.hosts()) {
            for (Adapter a : host.adapters()) {
                String mac = String.format("02:5A-%02x:00:%02x:%02x", number % 7, number / 256, number++ % 256)
                        .replace('-', ':');
                next = next.with(a.id(), x -> x.withMac(Optional.of(mac)));
            }
        }
        return next;
    }

    private static String run(String... command) throws Exception {
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .directory(folder.toFile())
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue())
                .as(String.join(" ", command) + "\n" + said)
                .isZero();
        return said;
    }

    private static String tool(String name) {
        Optional<Path> found = List.of("/usr/sbin", "/usr/bin", "/sbin").stream()
                .map(d -> Path.of(d, name))
                .filter(Files::isExecutable)
                .findFirst();
        Witnesses.need(found.isPresent(), name + " is not installed, so its syntax check is left out");
        return found.orElseThrow().toString();
    }

    /** IEEE 1003.1, 2.2.2, by a shell itself. */
    @Test
    void aShellReadsAnyNameAsTheOneWordThatItIs() throws Exception {
        Random random = new Random(44);
        List<String> names = new ArrayList<>(ODD);
        for (int i = 0; i < 60; i++) {
            StringBuilder name = new StringBuilder();
            for (int k = 0; k < 1 + random.nextInt(12); k++) {
                name.append((char) (32 + random.nextInt(95)));
            }
            names.add(name.toString());
        }
        for (String name : names) {
            assertThat(run("sh", "-c", "printf %s " + ShellQuotes.posix(name))).isEqualTo(name);
        }
        assertThat(folder.resolve("gone")).doesNotExist();
        for (String acting : PlainTextTest.ACTING) {
            assertThatThrownBy(() -> ShellQuotes.posix("a" + acting)).hasMessageContaining("act as a key");
            assertThatThrownBy(() -> ShellQuotes.powerShell("a" + acting)).hasMessageContaining("act as a key");
        }
    }

    /** From memory of the language specification: between single quotes only a quote is special, and two stand for one. */
    @Test
    void inPowerShellEveryKindOfSingleQuoteIsDoubled() {
        for (String name : ODD) {
            String quoted = ShellQuotes.powerShell(name);
            String inside = quoted.substring(1, quoted.length() - 1);
            assertThat(inside.replaceAll("(['\u2018-\u201B])\\1", ""))
                    .as(quoted)
                    .doesNotContainPattern("['\u2018-\u201B]");
            assertThat(inside.replaceAll("(['\u2018-\u201B])\\1", "$1")).isEqualTo(name);
        }
    }

    private static Plan computer(OperatingSystem system, String adapterName) {
        Plan plan = FernlightTrail.ready();
        Host office = plan.index().host(Kind.HOST.id("office-computer"));
        List<Adapter> adapters = new ArrayList<>();
        Adapter first = office.adapters().get(0);
        Adapter odd = new Adapter(
                first.id(),
                adapterName,
                AdapterKind.WIRED,
                first.segment(),
                Setting.of(true),
                true,
                List.of(
                        new AdapterAddress(
                                new Setting<>(HostAddress.parse("10.41.60.9/16"), HostAddress.parse("192.168.4.4/24")),
                                AddressOrigin.MANUAL),
                        new AdapterAddress(Setting.of(HostAddress.parse("2.0.0.9/8")), AddressOrigin.MANUAL)),
                Optional.of(Ipv4Address.parse("10.41.0.1")),
                Optional.empty());
        adapters.add(odd.withRoutes(Route.parse("10.90.0.0/16 by 10.41.0.9, 10.91.0.0/24"))
                .withMetric(Optional.of(7)));
        adapters.add(adapter("guest", "Guest", AdapterKind.WIRELESS, AddressOrigin.DHCP, true)
                .withEnabled(new Setting<>(true, false)));
        adapters.add(adapter("spare", "Spare", AdapterKind.WIRED, AddressOrigin.MANUAL, false));
        adapters.add(adapter("inner", "Inner", AdapterKind.VIRTUAL, AddressOrigin.MANUAL, true));
        adapters.add(adapter("inner-2", "Innermost", AdapterKind.VIRTUAL, AddressOrigin.MANUAL, true));
        return plan.with(
                Kind.HOST,
                plan.hosts().stream()
                        .map(h -> h.id().equals(office.id())
                                ? new Host(
                                        h.id(),
                                        h.name(),
                                        h.kind(),
                                        h.place(),
                                        system,
                                        h.profile(),
                                        adapters,
                                        h.firewall(),
                                        h.sourceCheck(),
                                        h.power(),
                                        h.switching(),
                                        h.own())
                                : h)
                        .toList());
    }

    private static Adapter adapter(String id, String name, AdapterKind kind, AddressOrigin origin, boolean on) {
        return new Adapter(
                Kind.ADAPTER.id(id),
                name,
                kind,
                Optional.empty(),
                Setting.of(on),
                true,
                List.of(new AdapterAddress(Setting.of(HostAddress.parse("10.77.0.5/24")), origin)),
                Optional.empty(),
                Optional.empty());
    }

    @ParameterizedTest
    @EnumSource(names = {"WINDOWS", "MACOS", "LINUX"})
    void everyStepOnAComputerHasItsWayBack(OperatingSystem system) throws Exception {
        for (String name : ODD) {
            Plan plan = computer(system, name);
            MachineSheet sheet = MachineSheet.of(
                    plan, Kind.HOST.id("office-computer"), Map.of(Kind.ADAPTER.id("spare"), "Ethernet 3"));
            assertThat(sheet.steps())
                    .extracting(MachineStep::title)
                    .containsExactly(
                            "Give " + name + " 10.41.60.9/16",
                            "Give " + name + " 2.0.0.9/8 as well",
                            "Tell " + name + " the way to 10.90.0.0/16 by 10.41.0.9, 10.91.0.0/24",
                            "Take " + name + " with metric 7",
                            "Switch Guest on",
                            "Let Guest ask for an address",
                            "Ask again for an address of Guest",
                            "Call the adapter Spare",
                            "Switch Spare off",
                            virtual(system, "Inner"),
                            virtual(system, "Innermost"),
                            "Let Art-Net in through the firewall",
                            "Let sACN in through the firewall");
            assertThat(sheet.steps())
                    .filteredOn(s -> !s.title().startsWith("Ask again"))
                    .allSatisfy(s -> assertThat(s.back()).isNotBlank());
            assertThat(sheet.steps().get(0).back()).as("as it was").contains("192.168.4.4");
            assertThat(sheet.steps().get(0).command()).contains("10.41.0.1");
            assertThat(sheet.steps().get(2).command())
                    .as("the router, and the cable itself")
                    .contains("10.90.0.0", "10.41.0.9", "10.91.0.0")
                    .doesNotContain("null");
            assertThat(sheet.steps().get(4).back())
                    .as("what was off is off again")
                    .isEqualTo(sheet.steps().get(8).command().replace("Spare", "Guest"));
            assertThat(sheet.steps().stream().map(MachineStep::command).filter(c -> c.contains("ifname")))
                    .allMatch(c -> c.matches(".* ifname show[01] .*"))
                    .doesNotHaveDuplicates();
            String back = sheet.backText("Office");
            assertThat(back.indexOf("Switch Spare off")).isLessThan(back.indexOf("Call the adapter Spare"));
            if (system != OperatingSystem.WINDOWS) {
                // a shell must find the text whole: every line parses, and nothing is run
                String file = Files.writeString(folder.resolve("sheet.sh"), sheet.text("Office") + back)
                        .toString();
                assertThat(run("sh", "-n", file)).isEmpty();
            }
        }
        assertThatThrownBy(() -> MachineSheet.of(FernlightTrail.ready(), Kind.HOST.id("boathouse-node"), Map.of()))
                .hasMessage("Boathouse node is set by its own menus; only computers take commands.");
    }

    private static String virtual(OperatingSystem system, String name) {
        return system == OperatingSystem.MACOS
                ? "Add 10.77.0.5/24 to loopback, as " + name
                : "Add the virtual adapter " + name + " with 10.77.0.5/24";
    }

    @Test
    void theServersThemselvesTakeTheReservations() throws Exception {
        Plan plan = withMacs(FernlightTrail.ready());
        Reservations all = Reservations.of(plan);
        assertThat(all.given()).hasSizeGreaterThan(18);
        assertThat(all.given()).extracting(Reservations.Given::label).doesNotHaveDuplicates();
        Path dnsmasq = Files.writeString(folder.resolve("dnsmasq.conf"), all.dnsmasq());
        assertThat(run(tool("dnsmasq"), "--test", "--conf-file=" + dnsmasq)).contains("OK");
        Path kea = Files.writeString(folder.resolve("kea.json"), all.kea());
        JsonNode read = JsonMapper.builder().build().readTree(kea.toFile());
        assertThat(read.at("/Dhcp4/subnet4").size()).isEqualTo(3);
        assertThat(run(tool("kea-dhcp4"), "-t", kea.toString())).doesNotContain("ERROR");
    }

    /** Odd names of everything at once: each generated text has the lines that it should have, and no other. */
    @Test
    void noNameBecomesALineOrACommandOfItsOwn() throws Exception {
        Path fakes = Files.createDirectories(folder.resolve("bin"));
        for (String command : List.of("nmcli", "sudo", "networksetup", "firewall-cmd", "ifconfig")) {
            Path fake = Files.writeString(fakes.resolve(command), "#!/bin/sh\nexit 0\n");
            assertThat(fake.toFile().setExecutable(true)).isTrue();
        }
        for (String name : ODD) {
            for (OperatingSystem system : List.of(OperatingSystem.LINUX, OperatingSystem.MACOS)) {
                MachineSheet sheet =
                        MachineSheet.of(computer(system, name), Kind.HOST.id("office-computer"), java.util.Map.of());
                String text = sheet.text(name);
                assertThat(text.lines().filter(l -> !l.isEmpty() && !l.startsWith("# ")))
                        .as(text)
                        .hasSize((int) sheet.steps().stream()
                                .filter(MachineStep::typed)
                                .count());
                Path script = Files.writeString(folder.resolve("sheet.sh"), text + sheet.backText(name));
                run("sh", "-n", script.toString());
                run("sh", "-c", "PATH=" + fakes + "; . " + script);
            }
        }
        int[] next = {0};
        Plan ready = withMacs(FernlightTrail.ready()).withName("$(touch gone)");
        Plan named = ready.with(
                Kind.HOST,
                ready.hosts().stream()
                        .map(h -> h.withName(ODD.get(next[0]++ % ODD.size())))
                        .toList());
        Plan odd = named.with(
                Kind.SEGMENT,
                named.segments().stream()
                        .map(s -> s.withName(ODD.get(next[0]++ % ODD.size())))
                        .toList());
        Reservations all = Reservations.of(odd);
        assertThat(all.dnsmasq().lines().filter(l -> !l.isEmpty()))
                .allMatch(l -> l.startsWith("# ") || l.startsWith("dhcp-range=") || l.startsWith("dhcp-host="));
        Path dnsmasq = Files.writeString(folder.resolve("odd.conf"), all.dnsmasq());
        assertThat(run(tool("dnsmasq"), "--test", "--conf-file=" + dnsmasq)).contains("OK");
        Path kea = Files.writeString(folder.resolve("odd.json"), all.kea());
        assertThat(run(tool("kea-dhcp4"), "-t", kea.toString())).doesNotContain("ERROR");
        assertThat(HostsFile.of(odd).lines()).allMatch(l -> l.matches("# .*|[0-9.]+\t[a-z0-9-]+"));
        assertThat(folder.resolve("gone")).doesNotExist();
    }

    /** PowerShell reads * ? [ ] as patterns in -Name and -InterfaceAlias (from memory, 80 %): such a name is compared instead. */
    @Test
    void aNameThatIsAPatternIsLookedUpByComparison() {
        MachineSheet sheet = MachineSheet.of(
                computer(OperatingSystem.WINDOWS, "Port [1]*"), Kind.HOST.id("office-computer"), java.util.Map.of());
        String text = sheet.text("x") + sheet.backText("x");
        assertThat(text)
                .contains("-InterfaceIndex (Get-NetAdapter | Where-Object { $_.Name -eq 'Port [1]*' }).ifIndex");
        assertThat(text).doesNotContain("-InterfaceAlias 'Port").doesNotContain("-Name 'Port");
    }

    @Test
    void whatCannotBeReservedIsNamedWithItsReason() {
        assertThat(Reservations.of(FernlightTrail.ready()).given()).isEmpty();
        Plan plan = withMacs(FernlightTrail.draft());
        assertThat(Reservations.of(plan).leftOut())
                .anySatisfy(l ->
                        assertThat(l).isEqualTo("The Network adapter of Jetty node has 10.41.22.3 like another one."));
        Plan twice = plan.with(Kind.ADAPTER.id("bridge-node.network"), a -> a.withMac(Optional.of("no mac, 1")));
        assertThat(Reservations.of(twice).leftOut())
                .anySatisfy(l -> assertThat(l).contains("\"no mac, 1\" as its hardware address, which is none"));
    }

    /** RFC 1123, 2.1 and RFC 1035, 2.3.4 for the labels; RFC 4180 for the table. */
    @Test
    void namesAndTablesSurviveOddNames() throws Exception {
        HashSet<String> taken = new HashSet<>();
        for (String name :
                List.of("Hut console", "Hut, console", "Café dimmer", "走", "-", "x".repeat(200), "x".repeat(200))) {
            String label = HostsFile.label(name, taken);
            assertThat(label).as(name).matches("[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?");
        }
        assertThat(taken).contains("hut-console", "hut-console-2", "cafe-dimmer", "host", "host-2");
        assertThat(HostsFile.of(FernlightTrail.ready())).contains("10.41.1.1\thut-console\n");
        Plan odd = FernlightTrail.ready()
                .with(Kind.HOST.id("office-computer"), h -> h.withName("=HYPERLINK(\"x\"), \"Büro\""));
        List<CSVRecord> rows = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(AddressTable.of(odd).csv()))
                .getRecords();
        assertThat(rows).allMatch(CSVRecord::isConsistent);
        assertThat(rows).extracting(r -> r.get("Host")).contains("'=HYPERLINK(\"x\"), \"Büro\"");
        assertThat(rows)
                .filteredOn(r -> r.get("Host").equals("Boathouse node"))
                .singleElement()
                .satisfies(r -> {
                    assertThat(r.get("Address")).isEqualTo("10.41.22.3");
                    assertThat(r.get("Mask")).isEqualTo("255.255.0.0");
                });
    }
}
