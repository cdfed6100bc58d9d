/**
 * Which port takes which universe by which number: as a table both ways ({@link zentrel.routing.RoutingTable}), numbers moved
 * everywhere at once ({@link zentrel.routing.NumberShift}), universes given to free ports ({@link zentrel.routing.AutoRoutes}), ports
 * that share a page ({@link zentrel.routing.PortPages}), universes for pixels ({@link zentrel.routing.PixelCount}).
 */
@NullMarked
package zentrel.routing;

import org.jspecify.annotations.NullMarked;
