package zentrel.app.bench;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import zentrel.gear.ConfirmedSettings;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.DeskWatch;
import zentrel.live.Discovery;
import zentrel.live.Ping;
import zentrel.live.StreamWatch;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.plan.Plan;

/** What looks at one net: for streams, for devices, for desks. */
record Watches(StreamWatch streams, Discovery devices, DeskWatch desks) implements AutoCloseable {
    /**
     * Begins to look.
     *
     * @param asking pings as long as questions may leave
     * @throws IOException with a sentence, where a port cannot be had; nothing looks then
     */
    static Watches start(NetHost net, NetAdapter at, Plan plan, Ping asking) throws IOException {
        Set<Ipv4Address> planned = ConfirmedSettings.addresses(plan);
        Watches all = new Watches(
                new StreamWatch(net, at, planned::contains),
                new Discovery(net, at, List.of(), asking, planned::contains),
                new DeskWatch(net, planned::contains));
        try {
            all.streams.start(LiveGroups.of(plan));
            all.devices.start();
            all.desks.start(at);
        } catch (IOException e) {
            all.close();
            throw e;
        }
        return all;
    }

    @Override
    public void close() {
        devices.close();
        streams.close();
        desks.close();
    }
}
