/**
 * Planning addresses: a subnet in people's words ({@link zentrel.address.SubnetInWords}), and moving a whole segment to another
 * range, with what it breaks on the way and a safe order ({@link zentrel.address.Moving}).
 */
@NullMarked
package zentrel.address;

import org.jspecify.annotations.NullMarked;
