/** Words for the kinds that a rig file knows. Which of them fit where is the server's to say. */

export const DEVICE_KINDS = [
  ["mcb", "circuit-breaker"],
  ["rcbo", "RCBO"],
  ["afdd", "AFDD"],
  ["fuse", "fuse"],
] as const;

export const CURVES = [
  ["B", "B"],
  ["C", "C"],
  ["D", "D"],
] as const;

export const RATINGS = ["6", "10", "16", "20", "25", "32", "40", "50", "63", "80", "100"];

export const POINT_KINDS = [
  ["single-socket", "single socket"],
  ["twin-socket", "twin socket"],
  ["three-phase-socket", "three-phase socket"],
  ["fused-connection", "fused connection"],
  ["isolator", "isolator"],
  ["timer", "timer"],
  ["appliance", "fixed appliance"],
  ["motor", "motor"],
] as const;

export const NATURES = [
  ["low", "the board's voltage"],
  ["selv", "SELV"],
  ["pelv", "PELV"],
  ["felv", "FELV"],
  ["above-500-v", "above 500 V"],
] as const;

export const SURGE = [
  ["none", "none"],
  ["to-neutral", "lines to neutral"],
  ["to-earth", "each pole to earth"],
] as const;

export const FEEDS = [
  ["lamp", "at the lamp"],
  ["switch", "at the first switch"],
  ["through-switches", "at the first switch, lamp beyond the last"],
] as const;

export const LOADS = [
  ["", "no load"],
  ["element", "heating element"],
  ["motor", "motor"],
  ["filament-lamp", "filament lamp"],
  ["led-driver", "LED driver"],
  ["neon", "neon"],
  ["usb-outlet", "USB outlet"],
  ["alarm", "smoke alarm"],
  ["dimmer", "dimmer"],
] as const;

export const USUAL_WATTS: Record<string, number> = {
  element: 3000,
  motor: 1500,
  "filament-lamp": 60,
  "led-driver": 9,
  neon: 0.5,
  "usb-outlet": 10,
  alarm: 2,
  dimmer: 60,
};

export const EARTHINGS = [
  ["TN-C-S", "TN-C-S"],
  ["TN-S", "TN-S"],
  ["TT", "TT"],
] as const;

export const RCD_TYPES = [
  ["AC", "AC"],
  ["A", "A"],
  ["F", "F"],
  ["B", "B"],
] as const;
