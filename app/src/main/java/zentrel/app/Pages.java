package zentrel.app;

import java.util.List;
import zentrel.app.addresses.AddressesPage;
import zentrel.app.bench.BenchPage;
import zentrel.app.cues.CuesPage;
import zentrel.app.desks.DesksPage;
import zentrel.app.flow.FlowPage;
import zentrel.app.gear.GearPage;
import zentrel.app.lit.LitPage;
import zentrel.app.patch.PatchPage;
import zentrel.app.pixels.PixelsPage;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.universes.UniversesPage;

/**
 * The pages of the window, in the order of the work. The first is the one for an empty plan; the window is told which it opens
 * with.
 */
final class Pages {
    /** The page that the window opens with. */
    static final Class<FlowPage> AT_START = FlowPage.class;

    private Pages() {}

    static List<PageEntry<?>> all(PageContext context) {
        return List.of(
                GearPage.entry(context),
                FlowPage.entry(context),
                AddressesPage.entry(context),
                UniversesPage.entry(context),
                PatchPage.entry(context),
                PixelsPage.entry(context),
                CuesPage.entry(context),
                DesksPage.entry(context),
                LitPage.entry(context),
                BenchPage.entry(context));
    }
}
