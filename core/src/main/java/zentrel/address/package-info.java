/**
 * Planning addresses: a subnet in people's words ({@link zentrel.address.SubnetInWords}), and moving a whole segment to another
 * range, with what it breaks on the way and a safe order ({@link zentrel.address.SegmentMove}); addresses assigned by a {@link
 * zentrel.address.Scheme}, counted on, taken over from a table ({@link zentrel.address.AddressImport}); what a box has out of the
 * box ({@link zentrel.address.FactoryAddresses}, {@link zentrel.address.ProtocolDefault}). Whatever changes many is a {@link
 * zentrel.address.Readdressing}.
 */
@NullMarked
package zentrel.address;

import org.jspecify.annotations.NullMarked;
