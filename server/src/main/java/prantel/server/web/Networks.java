package prantel.server.web;

import java.net.Inet4Address;
import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.regex.Pattern;

/** Which network an address is of: who has one address of it may have them all. */
public final class Networks {
    /** Never a name: no look-up is made for what somebody sends. */
    private static final Pattern LITERAL = Pattern.compile("[0-9.]+|[0-9a-fA-F:.]*:[0-9a-fA-F:.]*(%[0-9a-zA-Z]+)?");

    private static final int BYTES_OF_64 = 8;
    private static final int BYTES_OF_32 = 4;
    private static final int BYTES_OF_24 = 3;

    private Networks() {}

    /** The address itself for IPv4; the /64 for IPv6, in which a device changes its address as it likes. */
    public static String host(String address) {
        return of(address, BYTES_OF_32);
    }

    /** The /24 for IPv4, the /64 for IPv6. */
    public static String network(String address) {
        return of(address, BYTES_OF_24);
    }

    private static String of(String address, int bytesOfFour) {
        if (!LITERAL.matcher(address).matches()) {
            return address;
        }
        try {
            InetAddress read = InetAddress.getByName(address);
            int length = read instanceof Inet6Address ? BYTES_OF_64 : bytesOfFour;
            return HexFormat.of().formatHex(Arrays.copyOf(read.getAddress(), length));
        } catch (UnknownHostException e) {
            return address;
        }
    }

    /**
     * Whether a device of the workshop may be there: on this machine, or in a network that no router passes on. Nobody uses
     * this server to knock at doors elsewhere.
     *
     * @param host name or address; a name is looked up
     */
    public static boolean isOfTheWorkshop(String host) {
        try {
            InetAddress[] all = InetAddress.getAllByName(host);
            return all.length > 0 && Arrays.stream(all).allMatch(Networks::isPrivate);
        } catch (UnknownHostException e) {
            return false;
        }
    }

    private static boolean isPrivate(InetAddress address) {
        byte[] bytes = address.getAddress();
        boolean uniqueLocal = address instanceof Inet6Address && (bytes[0] & 0xfe) == 0xfc;
        boolean siteLocal = address instanceof Inet4Address && address.isSiteLocalAddress();
        return address.isLoopbackAddress() || siteLocal || uniqueLocal;
    }
}
