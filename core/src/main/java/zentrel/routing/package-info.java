/**
 * Which port takes which universe by which number: as a table both ways ({@link zentrel.routing.RoutingTable}), numbers moved
 * everywhere at once ({@link zentrel.routing.NumberShift}), universes given to free ports ({@link zentrel.routing.AutoRoutes}), ports
 * that share a page ({@link zentrel.routing.PortPages}).
 */
@NullMarked
package zentrel.routing;

import org.jspecify.annotations.NullMarked;
