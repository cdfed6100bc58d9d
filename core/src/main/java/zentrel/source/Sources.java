package zentrel.source;

import java.util.List;
import zentrel.source.Sourced.Origin;

/** Every value of the product that is not simply a fact of the plan, with its source. */
public final class Sources {
    private static final String KERNEL = "Linux kernel, between network namespaces";

    // --- operating systems ---

    public static final Sourced<Boolean> LINUX_SENDS_BY_ROUTE =
            trial(true, "Linux sends by the adapter that its route table gives, whatever a program is bound to.");
    public static final Sourced<Boolean> MACOS_SENDS_BY_ROUTE = memory(
            true, "macOS sends by the adapter that its route table gives, whatever a program is bound to.", "", 60);
    public static final Sourced<Boolean> WINDOWS_SENDS_BY_ROUTE =
            memory(false, "Windows sends by the adapter that has the address a program is bound to.", "", 85);
    public static final Sourced<Boolean> LINUX_RECEIVES_ON_ANY =
            trial(true, "Linux accepts what is sent to the address of one of its adapters on any of them.");
    public static final Sourced<Boolean> MACOS_RECEIVES_ON_ANY =
            memory(true, "macOS accepts what is sent to the address of one of its adapters on any of them.", "", 60);
    public static final Sourced<Boolean> WINDOWS_RECEIVES_ON_ANY =
            memory(false, "Windows accepts what is sent to an address only on the adapter that has it.", "", 85);
    public static final Sourced<Boolean> FIRMWARE_NOT_SPECIFIED = practice(
            false,
            "What the firmware of a device does with two adapters is not specified; it is taken to follow the address.");
    public static final Sourced<Boolean> LINUX_KEEPS_ADDRESS =
            trial(true, "Linux keeps the address of an adapter without a cable for what it sends to itself.");
    public static final Sourced<Boolean> WINDOWS_KEEPS_ADDRESS =
            memory(false, "Windows does not use the address of an adapter without a cable.", "", 85);
    public static final Sourced<Boolean> MACOS_KEEPS_ADDRESS =
            memory(false, "Whether macOS keeps the address of an adapter without a cable is not specified.", "", 50);
    public static final Sourced<Boolean> WINDOWS_LOWER_METRIC =
            memory(true, "Windows chooses the adapter with the lower metric.", "", 85);
    public static final Sourced<Boolean> MACOS_SERVICE_ORDER =
            memory(true, "macOS chooses the adapter that is higher in its service order.", "", 80);

    public static final Sourced<Double> FIREWALL_ANSWER =
            memory(3.0, "A firewall lets in for 3 s what may be the answer to what a program sent.", "", 75);

    // --- Art-Net ---

    public static final Sourced<Double> ARTNET_MERGE_LAPSE =
            memory(10.0, "A node that merges drops a source that was silent for 10 s.", "Art-Net 4, merging", 85);
    public static final Sourced<Integer> ARTNET_MERGED_SOURCES =
            memory(2, "A node merges two Art-Net sources and ignores a third.", "Art-Net 4, merging", 85);
    public static final Sourced<Boolean> ARTNET_SOURCE_BY_ADDRESS =
            memory(true, "A node tells Art-Net sources apart by address and physical input.", "Art-Net 4, merging", 85);
    public static final Sourced<Double> ARTSYNC_LAPSE =
            memory(4.0, "A node stays synchronous for 4 s after an ArtSync.", "Art-Net 4, ArtSync", 85);
    public static final Sourced<Double> ARTPOLL_LIMIT = memory(
            3.0,
            "Devices answer an ArtPoll within a second at random; controllers give up after 3 s.",
            "Art-Net 4, ArtPoll",
            75);
    public static final Sourced<Integer> ARTNET_ADDRESS_MASK = memory(
            8,
            "An Art-Net device makes its address in 2/8 or 10/8 from its hardware address.",
            "Art-Net 4, IP address",
            80);

    public static final Sourced<Integer> ARTADDRESS_DIRECTION = memory(
            0x20,
            "ArtAddress makes port n an output by the command 0x20+n and an input by 0x30+n.",
            "Art-Net 4, ArtAddress",
            75);

    // --- sACN ---

    public static final Sourced<Double> SACN_LOSS =
            standard(2.5, "An sACN source that was silent for 2.5 s is lost.", "ANSI E1.31-2018 §6.7.1");
    public static final Sourced<Integer> SACN_PRIORITY =
            standard(100, "A source without a priority of its own sends with 100.", "ANSI E1.31-2018 §6.2.3");

    // --- networks ---

    public static final Sourced<Integer> DHCP_WAIT =
            practice(60, "A computer asks a DHCP server for about a minute before it assigns itself an address.");
    public static final Sourced<Integer> CLAIM_WAIT =
            standard(7, "A self-assigned address is claimed after 4 to 7 s.", "RFC 3927 §2.2.1 and §9");
    public static final Sourced<Boolean> ROUTERS_PASS_NO_BROADCAST =
            memory(true, "No router passes on a broadcast of the network that it comes from.", "RFC 1812 §5.3.5", 90);
    public static final Sourced<Double> FULL_LINK =
            practice(0.7, "Above 70 % of a link, bursts of several sources no longer fit between each other.");
    public static final Sourced<Double> SMALL_NODE_PACKETS =
            practice(1000.0, "A small node handles about 1000 broadcast packets a second.");

    // --- pixels ---

    public static final Sourced<Double> ONE_WIRE_BIT = memory(
            1.25,
            "A bit of the WS2812B family, WS2813, WS2815 and SK6812 takes 1.25 µs.",
            "their data sheets, timing",
            85);
    public static final Sourced<Double> SLOW_BIT =
            memory(2.5, "A bit of the WS2811 at 400 kHz takes 2.5 µs.", "its data sheet, timing", 85);
    public static final Sourced<Double> SHORT_PAUSE =
            memory(50.0, "WS2811 and WS2812B show a frame after a pause of more than 50 µs.", "their data sheets", 80);
    public static final Sourced<Double> SK6812_PAUSE =
            memory(80.0, "An SK6812 shows a frame after a pause of 80 µs.", "its data sheet", 80);
    public static final Sourced<Double> WS2815_PAUSE =
            memory(280.0, "A WS2815 shows a frame after a pause of 280 µs.", "its data sheet", 75);
    public static final Sourced<Double> WS2813_PAUSE =
            memory(300.0, "A WS2813 shows a frame after a pause of 300 µs.", "its data sheet", 75);
    public static final Sourced<Double> WS2801_PAUSE =
            memory(500.0, "A WS2801 shows a frame after its clock rested for 500 µs.", "its data sheet", 80);
    public static final Sourced<Integer> APA102_START = memory(
            32,
            "An APA102 takes 32 bits a pixel after a start frame of 32 bits, and half a bit for each pixel at the end.",
            "its data sheet",
            80);
    public static final Sourced<Double> COPPER =
            memory(0.017241, "Annealed copper has 0.017241 Ω·mm²/m at 20 °C.", "IEC 60028", 90);
    public static final Sourced<Double> LARGEST_FUSE = memory(
            40.0, "Blade fuses are rated 1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35 and 40 A.", "ISO 8820-3", 80);
    public static final Sourced<Double> PIXEL_MILLIAMPS =
            practice(60.0, "An RGB pixel at 5 V draws about 60 mA at full white, an RGBW one about 80.");
    public static final Sourced<Double> SUPPLY_SPARE =
            practice(1.2, "A supply has a fifth to spare, and a fuse a quarter above the current.");

    // --- fixtures ---

    public static final Sourced<String> GDTF_MODES = memory(
            "DMXChannel",
            "A GDTF file tells the slots of each mode; a geometry that is referred to repeats its channels.",
            "DIN SPEC 15800, DMX modes",
            80);
    public static final Sourced<String> GDTF_AXES = memory(
            "BeamAngle, PhysicalFrom",
            "A fixture of a GDTF file hangs with its light downwards; pan and tilt turn by the right-hand rule, beams and travels are in degrees.",
            "DIN SPEC 15800, geometries and channel functions",
            75);
    public static final Sourced<String> MVR_ADDRESS = memory(
            "Address",
            "An MVR file writes a start slot as universe and slot with a point between, or counted through all universes.",
            "DIN SPEC 15801, address",
            80);

    // --- files and commands ---

    public static final Sourced<Integer> WORKBOOK_COLUMNS =
            memory(16_384, "A worksheet has columns A to XFD.", "ISO/IEC 29500-1 §18.3.1.4", 80);
    public static final Sourced<Boolean> POWERSHELL_QUOTES = memory(
            true,
            "PowerShell takes typographic single quotes as quotes; a quote is doubled.",
            "its language specification",
            85);

    /** All of them, in the order of the page that lists them. */
    public static final List<Sourced<?>> ALL = List.of(
            LINUX_SENDS_BY_ROUTE,
            MACOS_SENDS_BY_ROUTE,
            WINDOWS_SENDS_BY_ROUTE,
            LINUX_RECEIVES_ON_ANY,
            MACOS_RECEIVES_ON_ANY,
            WINDOWS_RECEIVES_ON_ANY,
            FIRMWARE_NOT_SPECIFIED,
            LINUX_KEEPS_ADDRESS,
            WINDOWS_KEEPS_ADDRESS,
            MACOS_KEEPS_ADDRESS,
            WINDOWS_LOWER_METRIC,
            MACOS_SERVICE_ORDER,
            FIREWALL_ANSWER,
            ARTNET_MERGE_LAPSE,
            ARTNET_MERGED_SOURCES,
            ARTNET_SOURCE_BY_ADDRESS,
            ARTSYNC_LAPSE,
            ARTPOLL_LIMIT,
            ARTNET_ADDRESS_MASK,
            ARTADDRESS_DIRECTION,
            SACN_LOSS,
            SACN_PRIORITY,
            DHCP_WAIT,
            CLAIM_WAIT,
            ROUTERS_PASS_NO_BROADCAST,
            FULL_LINK,
            SMALL_NODE_PACKETS,
            ONE_WIRE_BIT,
            SLOW_BIT,
            SHORT_PAUSE,
            SK6812_PAUSE,
            WS2815_PAUSE,
            WS2813_PAUSE,
            WS2801_PAUSE,
            APA102_START,
            COPPER,
            LARGEST_FUSE,
            PIXEL_MILLIAMPS,
            SUPPLY_SPARE,
            GDTF_MODES,
            GDTF_AXES,
            MVR_ADDRESS,
            WORKBOOK_COLUMNS,
            POWERSHELL_QUOTES);

    private Sources() {}

    /** The page in Markdown; {@code docs/sources.md} is this text. */
    public static String page() {
        StringBuilder page = new StringBuilder("""
                # Sources

                What judging rests on beyond the plan itself, and how it is known. What is published names its clause; what was tried
                names the trial, which a test repeats. What is from memory says how sure it is: below 75 % nothing that rests on it
                alone is called broken, only at risk. "Why?" beside a finding shows the lines that it rests on.

                | what | source | sure |
                |---|---|---|
                """);
        for (Sourced<?> each : ALL) {
            page.append("| ")
                    .append(each.says())
                    .append(" | ")
                    .append(each.source())
                    .append(" | ");
            page.append(each.origin() == Origin.PRACTICE ? "–" : each.confidence() + " %")
                    .append(" |\n");
        }
        return page.toString();
    }

    private static <T> Sourced<T> standard(T value, String says, String clause) {
        return new Sourced<>(value, says, Origin.STANDARD, clause, 100);
    }

    private static <T> Sourced<T> trial(T value, String says) {
        return new Sourced<>(value, says, Origin.TRIAL, KERNEL, 100);
    }

    private static <T> Sourced<T> practice(T value, String says) {
        return new Sourced<>(value, says, Origin.PRACTICE, "", 90);
    }

    private static <T> Sourced<T> memory(T value, String says, String of, int confidence) {
        return new Sourced<>(value, says, Origin.MEMORY, of, confidence);
    }
}
