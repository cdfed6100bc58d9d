/**
 * Describing the gear of a rig: from a word to a host with adapters, programs and ports.
 *
 * <p>{@link zentrel.gear.Library} holds the profiles that ship and the user's own; {@code zentrel.command} understands
 * "3 node 4"; {@link zentrel.gear.DeviceFactory} makes hosts and programs from profiles; {@link zentrel.gear.Connections} puts adapters
 * on segments, binds purposes, cables and routes; {@link zentrel.gear.DeviceCopies} copies with numbers that count on;
 * {@link zentrel.gear.PlanRemoval} takes away and says what else goes; {@link zentrel.gear.GearImport} reads rows of a
 * spreadsheet. All of them return edits: nothing here changes a plan by itself.
 */
@NullMarked
package zentrel.gear;

import org.jspecify.annotations.NullMarked;
