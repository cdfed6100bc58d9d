package zentrel.command;

import java.util.List;
import java.util.Locale;

/** Every form of a line, in the order of a job. */
public final class Usages {
    /** All forms. */
    public static final List<Usage> ALL = List.of(
            new Usage(
                    "[COUNT] KIND [called NAME] [in PLACE] [on SEGMENT] [at ADDRESS]",
                    "adds devices; names and addresses count on",
                    "3 node 4 in Boathouse"),
            new Usage("install PROGRAM on COMPUTER", "installs a program", "install paperwork on laptop"),
            new Usage("segment NAME RANGE", "adds a segment", "segment Pixels 10.60.0.0/16"),
            new Usage(
                    "mark SEGMENT as FACT",
                    "says what is so about a segment: open or closed to guests, having an uplink or none,"
                            + " isolating wireless clients or not",
                    "mark Control as open to guests"),
            new Usage("put DEVICE on SEGMENT", "moves its first adapter to a segment", "put boathouse node on Control"),
            new Usage(
                    "adapter NAME on DEVICE",
                    "adds an adapter: wired, or wireless, virtual or loopback as its name says",
                    "adapter Wi-Fi on laptop"),
            new Usage(
                    "bind PROGRAM to ADAPTER",
                    "binds all that a program does on the network, or one purpose",
                    "bind previs to loopback"),
            new Usage(
                    "route SOURCE to RECEIVER",
                    "sends the next universe to the first free port, or to all of them",
                    "route desk to node"),
            new Usage(
                    "route UNIVERSES SOURCE to RECEIVER",
                    "sends a run of universes, one after the other from the first free port on; those that are not there are made",
                    "route 5-13 desk to pergola"),
            new Usage("universe NUMBER [called NAME]", "adds a universe", "universe 40 called Lanterns"),
            new Usage(
                    "send UNIVERSE from PROGRAM [by PROTOCOL]",
                    "lets a program send a universe; route does this too",
                    "send U1 from cue player by Art-Net"),
            new Usage(
                    "switch UNIVERSES of PROGRAM on",
                    "switches universes on or off at their source: a run of them, or all",
                    "switch U1-U4 of desk off"),
            new Usage(
                    "input [COUNT] on PROGRAM [by PROTOCOL]",
                    "adds an input for so many universes to a program",
                    "input 2 on desk by sACN"),
            new Usage("port [COUNT] on RECEIVER", "adds ports to a receiver", "port 2 on boathouse node"),
            new Usage(
                    "copy THING in KEEPER [as VALUE]",
                    "notes what a program keeps of a thing, or what is printed on a device: an address, a number, a name",
                    "copy hut console in cue player as 10.41.0.20"),
            new Usage(
                    "session NAME [with PROGRAM, PROGRAM [as PART]]",
                    "adds a session; the first program leads it",
                    "session Evening with desk, previs"),
            new Usage(
                    "enter SESSION with PROGRAM [as PART]",
                    "lets a program enter a session, as main, backup, remote, previs or node",
                    "enter evening with cue player"),
            new Usage("leave SESSION with PROGRAM", "lets a program leave a session", "leave evening with backup desk"),
            new Usage(
                    "patch [COUNT] KIND [of SLOTS] [on LINE] [from NUMBER]",
                    "adds fixtures after the last on a line",
                    "patch 12 wash of 18 on boathouse from 531"),
            new Usage(
                    "move [fixture] NUMBERS to UNIVERSE [slot SLOT]",
                    "moves fixtures to another universe, one after the other",
                    "move 101-102 to U3"),
            new Usage("renumber NUMBERS from NUMBER", "numbers fixtures anew", "renumber 101-112 from 131"),
            new Usage(
                    "swap NUMBER and NUMBER",
                    "lets two fixtures of one size change their start slots",
                    "swap 101 and 102"),
            new Usage(
                    "arrange NUMBERS from UNIVERSE [by ORDER] [whole]",
                    "gives fixtures start slots by number, place or type; whole begins a universe with each place or type",
                    "arrange 601-608,701-709 from U31 by place whole"),
            new Usage(
                    "type NAME with MODE: SLOT, SLOT",
                    "adds a fixture type with what its slots do; 16 bit takes two",
                    "type reed spot with Basic: dimmer, pan 16 bit, tilt 16 bit"),
            new Usage(
                    "list NAME [of PROGRAM]",
                    "keeps the fixtures as a program has them, to be compared with later",
                    "list hut desk list of hut desk"),
            new Usage(
                    "pixels [COUNT] KIND of PIXELS [ORDER] [at PITCH] [on CONTROLLER] [from UNIVERSE]",
                    "adds strips, panels (8x8), loops and other pixels to the outputs of a controller, with their universes",
                    "pixels 5 strips of 612 RGB at 16 mm on pergola from U41"),
            new Usage(
                    "spread CONTROLLER [from UNIVERSE]",
                    "spreads a controller's pixels over universes by its rules, and patches them so",
                    "spread pergola from U41"),
            new Usage("turn PIXELS by DEGREES", "turns pixels clockwise as they hang", "turn arch 3 by 90"),
            new Usage(
                    "build [COUNT] FORM [NAME] of SIZE at POSITION [turned DEGREES]",
                    "adds a room, wall, floor, platform, steps, pole, tree or block to the place, metres wide x deep x high; several are placed as hang does it",
                    "build platform of 6x4x0.8 at 4/10/0 turned 15"),
            new Usage(
                    "hang NUMBERS at POSITION or from POSITION to POSITION or around POSITION radius METRES or grid POSITION by COUNT every METRESxMETRES",
                    "hangs fixtures in the place; stand does the same for those that stand",
                    "hang 101-112 from 0/4/5 to 12/4/5"),
            new Usage(
                    "stand NUMBERS at POSITION …",
                    "stands fixtures in the place",
                    "stand 801-812 around 4/4/0 radius 3"),
            new Usage("point NUMBERS at POSITION", "points fixtures at a place", "point 401-410 at 2/8/0"),
            new Usage(
                    "shift NUMBERS or NAME by METRES/METRES/METRES",
                    "moves fixtures or what stands in the place to the right, away and up",
                    "shift 801-812 by 0/1.5/0"),
            new Usage("turn NUMBERS or NAME by DEGREES", "turns them around their middle", "turn 801-812 by 30"),
            new Usage("view NAME from POSITION to POSITION", "keeps a viewpoint", "view gate from -4/-8/1.7 to 6/10/1"),
            new Usage("mirror PIXELS", "swaps left and right of pixels as they hang", "mirror arch 3"),
            new Usage(
                    "split LINE by DEVICE [into COUNT]",
                    "adds lines behind a splitter",
                    "split jetty line by splitter"),
            new Usage(
                    "air LINE from SENDER to RECEIVER",
                    "passes a line on by radio",
                    "air jetty line from sender to receiver"),
            new Usage(
                    "cable [KIND] DEVICE to DEVICE",
                    "adds a cable: network, dmx, power, usb, serial, midi, contact, dali, mains, other",
                    "cable desk to switch"),
            new Usage(
                    "power DEVICE from DEVICE",
                    "adds a power cable from the device that feeds",
                    "power boathouse node from pergola"),
            new Usage(
                    "power DEVICE by SUPPLY", "says which of its supplies is connected", "power boathouse node by PoE"),
            new Usage(
                    "link PROGRAM to PROGRAM [/ADDRESS]",
                    "adds an OSC link, to programs named by themselves or by their device",
                    "link cue player to desk /show/next"),
            new Usage(
                    "attach CONSOLE to PREVIS",
                    "feeds a previs by the console's own stream",
                    "attach hut desk to previs"),
            new Usage("rename THING to NAME", "renames anything that has a name", "rename U1 to Front wash"),
            new Usage(
                    "duplicate DEVICE [COUNT]", "copies a device; names and addresses count on", "duplicate node 1 3"),
            new Usage(
                    "remove THING",
                    "removes anything that has a name, or a run of fixtures, and says what goes with it",
                    "remove fixture 101-110"),
            new Usage(
                    "set FIELD of THING to VALUE",
                    "sets anything that a plan can hold; the fields of a thing are those under “All fields” (Ctrl+E)",
                    "set priority of desk U5 to 120"),
            new Usage(
                    "set FIELD of NUMBERS to VALUE",
                    "sets one field of a run of fixtures",
                    "set purpose of 101-112 to path light"),
            new Usage(
                    "plan FIELD of THING to VALUE",
                    "the same, to be set on the device later; until then the old value is in force",
                    "plan priority of desk U5 to 110"));

    private Usages() {}

    /** The forms that start with a word. */
    public static List<Usage> ofVerb(String verb) {
        return ALL.stream()
                .filter(u -> u.form().startsWith(verb.toLowerCase(Locale.ROOT) + " "))
                .toList();
    }
}
