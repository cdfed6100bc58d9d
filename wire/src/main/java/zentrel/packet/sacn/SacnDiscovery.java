package zentrel.packet.sacn;

import java.util.List;
import java.util.UUID;

/**
 * One page of what a source sends (ANSI E1.31-2018 §4.3, §8), 120 bytes and two for each universe.
 *
 * @param page 0–255
 * @param lastPage not below the page
 * @param universes up to 512, ascending
 */
public record SacnDiscovery(UUID cid, String sourceName, int page, int lastPage, List<Integer> universes)
        implements SacnPacket {
    /** Universes on one page. */
    public static final int PAGE = 512;

    public SacnDiscovery {
        universes = List.copyOf(universes);
        SacnPacket.require("Page", page, 0, 255);
        SacnPacket.require("Last page", lastPage, page, 255);
        SacnPacket.require("The number of universes", universes.size(), 0, PAGE);
        universes.forEach(u -> SacnPacket.require("A universe", u, 1, 63999));
    }
}
