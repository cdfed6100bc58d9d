/**
 * A simulated network with a clock of its own: {@link zentrel.net.sim.SimNet}. Computers have adapters, routes, a firewall and one
 * table of ports; switches flood, learn, snoop and keep VLANs apart; routers pass on what is for one address. Every packet that ends on
 * the way is told with hop, reason and place ({@link zentrel.net.sim.Drop}). It works all this out by itself, from packets, and shares
 * nothing with the judging of paths but the names of the reasons.
 */
@NullMarked
package zentrel.net.sim;

import org.jspecify.annotations.NullMarked;
