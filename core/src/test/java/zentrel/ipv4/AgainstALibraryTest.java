package zentrel.ipv4;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import inet.ipaddr.AddressStringException;
import inet.ipaddr.AddressStringParameters;
import inet.ipaddr.IPAddress;
import inet.ipaddr.IPAddressString;
import inet.ipaddr.IPAddressStringParameters;
import java.math.BigInteger;
import java.util.HashSet;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Our address arithmetic beside that of a general-purpose library, over seeded random values. */
class AgainstALibraryTest {
    /** Its default parser guesses; these are its strict settings. */
    private static final IPAddressStringParameters STRICT = new IPAddressStringParameters.Builder()
            .allowIPv6(false)
            .allowWildcardedSeparator(false)
            .allowEmpty(false)
            .allowAll(false)
            .getIPv4AddressParametersBuilder()
            .allow_inet_aton(false)
            .allowLeadingZeros(false)
            .setRangeOptions(AddressStringParameters.RangeParameters.NO_RANGE)
            .getParentBuilder()
            .toParams();

    private static IPAddress theirs(String text) {
        try {
            return new IPAddressString(text, STRICT).toAddress();
        } catch (AddressStringException e) {
            throw new AssertionError(text, e);
        }
    }

    private static Ipv4Address random(Random random) {
        return new Ipv4Address(random.nextInt());
    }

    @Test
    void networkBroadcastMaskAndContents() {
        Random random = new Random(11);
        for (int i = 0; i < 4000; i++) {
            HostAddress ours = new HostAddress(random(random), random.nextInt(33));
            IPAddress block = theirs(ours.address().toString()).toPrefixBlock(ours.prefixLength());
            String as = ours.toString();
            assertThat(ours.subnet().network().toString()).as(as).isEqualTo(plain(block.getLower()));
            assertThat(ours.subnet().last().toString()).as(as).isEqualTo(plain(block.getUpper()));
            assertThat(ours.broadcast().toString()).as(as).isEqualTo(plain(block.getUpper()));
            assertThat(ours.mask().toString())
                    .as(as)
                    .isEqualTo(plain(block.getNetwork().getNetworkMask(ours.prefixLength(), false)));
            Ipv4Address other = random.nextBoolean()
                    ? random(random)
                    : ours.address().plus(random.nextInt(1 << random.nextInt(20)) - 7);
            assertThat(ours.sees(other))
                    .as("%s sees %s", as, other)
                    .isEqualTo(block.contains(theirs(other.toString())));
        }
    }

    private static String plain(IPAddress address) {
        return address.withoutPrefixLength().toString();
    }

    @Test
    void overlapAndCount() {
        Random random = new Random(12);
        for (int i = 0; i < 4000; i++) {
            Subnet a = new HostAddress(random(random), random.nextInt(33)).subnet();
            Subnet b = random.nextBoolean()
                    ? new HostAddress(random(random), random.nextInt(33)).subnet()
                    : new HostAddress(a.network().plus(random.nextInt(1 << 18)), random.nextInt(33)).subnet();
            IPAddress theirA = theirs(a.network().toString()).toPrefixBlock(a.prefixLength());
            IPAddress theirB = theirs(b.network().toString()).toPrefixBlock(b.prefixLength());
            assertThat(a.overlaps(b)).as("%s and %s", a, b).isEqualTo(theirA.intersect(theirB) != null);
            BigInteger all = theirA.getCount();
            long hosts = a.prefixLength() >= 31 ? all.longValue() : all.longValue() - 2; // RFC 3021 for /31
            assertThat(a.hostCount()).as("%s", a).isEqualTo(hosts);
        }
    }

    @Test
    void textIsReadAndWrittenAlike() {
        Random random = new Random(13);
        for (int i = 0; i < 4000; i++) {
            Ipv4Address ours = random(random);
            assertThat(ours.toString()).isEqualTo(plain(theirs(ours.toString())));
            assertThat(Ipv4Address.parse(plain(theirs(ours.toString())))).isEqualTo(ours);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "1.2",
                "1.2.3",
                "1.2.3.4.5",
                "256.1.1.1",
                "1.256.1.1",
                "1.1.1.256",
                "01.2.3.4",
                "1.02.3.4",
                "1.2.3.04",
                "a.b.c.d",
                "1..2.3",
                ".1.2.3",
                "1.2.3.",
                "-1.2.3.4",
                "0x1.2.3.4",
                "1.2.3.4x",
                "1.2.3.*",
                "1-2.3.4.5",
                "::1"
            })
    void whatTheStrictLibraryRefusesSoDoWe(String text) {
        assertThat(catchThrowable(() -> new IPAddressString(text, STRICT).toAddress()))
                .as("the library on \"%s\"", text)
                .isInstanceOf(AddressStringException.class);
        assertThat(catchThrowable(() -> Ipv4Address.parse(text)))
                .as("ours on \"%s\"", text)
                .isInstanceOf(IllegalArgumentException.class)
                .message()
                .isNotBlank();
    }

    @Test
    void aFreeAddressIsAHostOfTheSubnetThatNobodyHas() {
        Random random = new Random(14);
        for (int i = 0; i < 500; i++) {
            int prefix = 22 + random.nextInt(9);
            Subnet subnet =
                    new HostAddress(Ipv4Address.of(10, random.nextInt(256), random.nextInt(256), 7), prefix).subnet();
            Set<Ipv4Address> used = new HashSet<>();
            long hosts = subnet.hostCount();
            long taken = random.nextInt((int) hosts + 1);
            for (long n = 0; n < taken; n++) {
                used.add(subnet.firstHost().plus((int) n));
            }
            Optional<Ipv4Address> free = FreeAddress.after(subnet.firstHost(), subnet, used);
            assertThat(free.isPresent()).as("%s with %d taken", subnet, taken).isEqualTo(taken < hosts);
            free.ifPresent(f -> {
                assertThat(used).doesNotContain(f);
                assertThat(theirs(subnet.network().toString())
                                .toPrefixBlock(prefix)
                                .contains(theirs(f.toString())))
                        .isTrue();
                assertThat(f).isNotEqualTo(subnet.network()).isNotEqualTo(subnet.last());
            });
        }
    }
}
