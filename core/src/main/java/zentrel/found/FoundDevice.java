package zentrel.found;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Loss;
import zentrel.text.PlainText;

/**
 * A device as it was found. Texts came from the network and are held as they may be shown.
 *
 * @param address where its packets come from
 * @param mac its hardware address, where it tells one: six pairs of hexadecimal digits with colons
 * @param firmware its version as a number of two bytes; 0 where it tells none
 * @param maker its manufacturer and type codes in one number, by which devices of one kind are told; 0 where it tells none
 * @param loss what it does when nothing comes any more
 * @param byDhcp whether it says that its address came by DHCP
 * @param lastHeard when, in ns by the net's clock
 * @param remarks what of its answers is not as the standard says, as sentences
 */
public record FoundDevice(
        Ipv4Address address,
        Optional<String> mac,
        String shortName,
        String longName,
        String report,
        int firmware,
        int maker,
        Loss loss,
        boolean byDhcp,
        DeviceState state,
        Set<AnsweredBy> answers,
        List<FoundPort> ports,
        long lastHeard,
        List<String> remarks) {
    private static final int LONGEST = 64;

    public FoundDevice {
        shortName = PlainText.shown(shortName, LONGEST);
        longName = PlainText.shown(longName, LONGEST);
        report = PlainText.shown(report, LONGEST);
        answers = Set.copyOf(answers);
        ports = List.copyOf(ports);
        remarks = List.copyOf(remarks);
    }

    /** The version as devices show it: the high byte, a point, the low byte; empty where it tells none. */
    public String version() {
        return firmware == 0 ? "" : (firmware >> 8) + "." + (firmware & 0xFF);
    }

    /** What it calls itself: the longer name, else the shorter, else its address. */
    public String title() {
        return !longName.isBlank() ? longName : !shortName.isBlank() ? shortName : address.toString();
    }

    /** The same, heard from another address. */
    public FoundDevice at(Ipv4Address value) {
        return with(value, report, state, lastHeard);
    }

    /** The same in another state. */
    public FoundDevice withState(DeviceState value) {
        return with(address, report, value, lastHeard);
    }

    /** The same without what changes with every answer: when it was heard, and its report, which counts. */
    public FoundDevice timeless() {
        return with(address, "", state, 0);
    }

    private FoundDevice with(Ipv4Address from, String said, DeviceState is, long heard) {
        return new FoundDevice(
                from, mac, shortName, longName, said, firmware, maker, loss, byDhcp, is, answers, ports, heard,
                remarks);
    }

    /** Its port of a number, counted from 1. */
    public Optional<FoundPort> port(int number) {
        return ports.stream().filter(p -> p.number() == number).findFirst();
    }
}
