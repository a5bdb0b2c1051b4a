package prantel.server.account;

import java.util.LinkedHashMap;
import java.util.Map;

/** What a browser says it is, in words by which its owner knows the device again. */
final class DeviceWords {
    /** In this order: nearly every browser claims to be the ones below it too. */
    private static final Map<String, String> BROWSERS = new LinkedHashMap<>();

    private static final Map<String, String> SYSTEMS = new LinkedHashMap<>();

    static {
        BROWSERS.put("Edg/", "Edge");
        BROWSERS.put("OPR/", "Opera");
        BROWSERS.put("Firefox/", "Firefox");
        BROWSERS.put("Chrome/", "Chrome");
        BROWSERS.put("Safari/", "Safari");
        SYSTEMS.put("iPad", "iPad");
        SYSTEMS.put("iPhone", "iPhone");
        SYSTEMS.put("Android", "Android");
        SYSTEMS.put("Windows", "Windows");
        SYSTEMS.put("Mac OS X", "macOS");
        SYSTEMS.put("CrOS", "ChromeOS");
        SYSTEMS.put("Linux", "Linux");
    }

    private DeviceWords() {}

    /** "Firefox on Linux"; what it says itself where that is neither. */
    static String of(String agent) {
        String browser = named(BROWSERS, agent);
        String system = named(SYSTEMS, agent);
        return browser.isEmpty() || system.isEmpty() ? agent : browser + " on " + system;
    }

    private static String named(Map<String, String> names, String agent) {
        return names.entrySet().stream()
                .filter(e -> agent.contains(e.getKey()))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElse("");
    }
}
