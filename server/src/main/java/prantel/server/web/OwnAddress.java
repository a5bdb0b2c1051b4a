package prantel.server.web;

import jakarta.servlet.http.HttpServletRequest;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.URI;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Component;
import prantel.server.PrantelSettings;

/** Where another device in the workshop finds this server: as it was told, else as the page found it, else by its own network. */
@Component
public class OwnAddress {
    private final String told;

    OwnAddress(PrantelSettings settings) {
        told = settings.address().strip().replaceAll("/+$", "");
    }

    /**
     * @param url without a slash at its end
     * @param warning why a tablet may not reach it, and what to do; empty where it does
     */
    public record Found(String url, String warning) {}

    /** @param request of the page that asks: how it found the server */
    public Found of(HttpServletRequest request) {
        if (!told.isEmpty()) {
            return new Found(told, isHere(URI.create(told).getHost()) ? NO_TABLET : "");
        }
        String host = request.getServerName();
        if (!isHere(host)) {
            return new Found(url(request, host), "");
        }
        List<String> own = inTheNetwork();
        return own.isEmpty()
                ? new Found(url(request, host), NO_TABLET)
                : new Found(
                        url(request, own.getFirst()),
                        own.size() == 1
                                ? ""
                                : "This computer has several addresses: "
                                        + String.join(", ", own)
                                        + ". If a tablet does not reach the first, start the server with --address.");
    }

    private static final String NO_TABLET =
            "Only this computer reaches that address. Connect it to the workshop’s network, or start the server with"
                    + " --address http://NAME:PORT as tablets find it.";

    private static String url(HttpServletRequest request, String host) {
        boolean usual =
                request.getScheme().equals("https") ? request.getServerPort() == 443 : request.getServerPort() == 80;
        return request.getScheme() + "://" + (host.contains(":") ? "[" + host + "]" : host)
                + (usual ? "" : ":" + request.getServerPort());
    }

    private static boolean isHere(String host) {
        return host == null
                || host.equalsIgnoreCase("localhost")
                || host.endsWith(".localhost")
                || host.startsWith("127.")
                || host.equals("::1")
                || host.equals("[::1]")
                || host.equals("0.0.0.0");
    }

    /** Addresses of this computer that others in the same network reach, the likeliest first. */
    private static List<String> inTheNetwork() {
        try {
            return Collections.list(NetworkInterface.getNetworkInterfaces()).stream()
                    .filter(OwnAddress::isUp)
                    .sorted(Comparator.comparing(NetworkInterface::isVirtual).thenComparing(NetworkInterface::getIndex))
                    .flatMap(i -> Collections.list(i.getInetAddresses()).stream())
                    .filter(Inet4Address.class::isInstance)
                    .filter(a -> !a.isLoopbackAddress() && !a.isLinkLocalAddress())
                    .map(InetAddress::getHostAddress)
                    .toList();
        } catch (SocketException e) {
            return List.of();
        }
    }

    private static boolean isUp(NetworkInterface network) {
        try {
            return network.isUp() && !network.isLoopback() && !network.isPointToPoint();
        } catch (SocketException e) {
            return false;
        }
    }
}
