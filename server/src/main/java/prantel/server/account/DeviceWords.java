package prantel.server.account;

import java.util.List;

/** What a browser says it is, in words by which its owner knows the device again. */
final class DeviceWords {
    /** What a browser or a system is known by. */
    private record Sign(String part, String name) {}

    /** In this order: nearly every browser claims to be the ones below it too. */
    private static final List<Sign> BROWSERS = List.of(
            new Sign("Edg/", "Edge"),
            new Sign("OPR/", "Opera"),
            new Sign("Firefox/", "Firefox"),
            new Sign("Chrome/", "Chrome"),
            new Sign("Safari/", "Safari"));

    private static final List<Sign> SYSTEMS = List.of(
            new Sign("iPad", "iPad"),
            new Sign("iPhone", "iPhone"),
            new Sign("Android", "Android"),
            new Sign("Windows", "Windows"),
            new Sign("Mac OS X", "macOS"),
            new Sign("CrOS", "ChromeOS"),
            new Sign("Linux", "Linux"));

    private DeviceWords() {}

    /** "Firefox on Linux"; what it says itself where that is neither. */
    static String of(String agent) {
        String browser = named(BROWSERS, agent);
        String system = named(SYSTEMS, agent);
        return browser.isEmpty() || system.isEmpty() ? agent : browser + " on " + system;
    }

    private static String named(List<Sign> signs, String agent) {
        return signs.stream()
                .filter(s -> agent.contains(s.part()))
                .map(Sign::name)
                .findFirst()
                .orElse("");
    }
}
