package zentrel.demo;

import zentrel.plan.Kind;

/** Who sends OSC to whom on the Fernlight Trail, and where somebody wrote down an address or a name. */
final class FernlightLinks {
    private FernlightLinks() {}

    static void add(PlanSketch s) {
        s.link(
                "go-link",
                "Evening cue",
                "cue-player",
                "hut-desk",
                "10.42.1.1",
                24510,
                "/fern/next list:int cue:decimal",
                true);
        s.link("tablet-link", "Tablet select", "tablet-remote", "hut-desk", "10.42.1.1", 24510, "/fern/select", false);
        s.link(
                "dim-link",
                "Café dimmer",
                "cue-player",
                "cafe-dimmer",
                "10.42.4.2",
                24520,
                "/terrace/level channel:int level:0-1",
                false);
        s.copy(
                "tablet-memory",
                "remembered console",
                Kind.APPLICATION.id("tablet-remote"),
                Kind.ADAPTER.id("hut-console.control"),
                "10.42.1.1");
        s.copy(
                "hut-label",
                "address label",
                Kind.HOST.id("hut-console"),
                Kind.ADAPTER.id("hut-console.control"),
                "10.42.1.1");
        s.copy(
                "pergola-label",
                "name label",
                Kind.HOST.id("pergola-controller"),
                Kind.HOST.id("pergola-controller"),
                "Pergola controller");
    }
}
