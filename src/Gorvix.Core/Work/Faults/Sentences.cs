namespace Gorvix.Core.Work.Faults;

/// <summary>What the floor Faults says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string AsExpectedOnUsb => "as expected on USB";
    public static string NotAsExpectedOnUsb => "not as expected on USB";
    public static string ResistanceReadingNoBeep => "resistance reading, no beep";
    public static string DiodeDropInOneDirection => "diode drop in one direction";

    public static string AsExpected(string expected) => $"as expected: {expected}";

    public static string ReversedPolarityBelow(string volts) => $"reversed polarity: below {volts}";

    public static string NoVoltageBelow(string volts) => $"no voltage: below {volts}";

    public static string TooLowBelow(string volts) => $"too low: below {volts}";

    public static string TooHighAbove(string volts) => $"too high: above {volts}";

    public static string LessThan(string amperes) => $"less than {amperes}";

    public static string MoreThan(string amperes) => $"more than {amperes}";

    public static string OpenNoSolder => "open, no solder";

    public static string SetTo(string atAt) => $"set to \"{atAt}\"";

    public static string AllPositionsSoldered => "all positions soldered";
    public static string AllSettingsAsPlanned => "all settings as planned";
    public static string NoPortHasAFunction => "no port has a function, port settings cleared";

    public static string HasNoFunction(string name) => $"{name} has no function";

    public static string HasTheRightFunctionBut(string name) => $"{name} has the right function but the wrong baud";

    public static string HasDifferentSettings(string name) => $"{name} has different settings";

    public static string StickBarsDoNotMove => "stick bars do not move";
    public static string NoOsdTextFromThe => "no OSD text from the board";
    public static string Of00VNeverArmed => "0.0 V, never armed, no recording";
    public static string NoVideo => "no video";
    public static string NoSatellitesNoFix => "no satellites, no fix";
    public static string NoCompassDetected => "no compass detected";
    public static string NoValuesThoughTelemetryIs => "no values, though telemetry is on";
    public static string NoEscReports => "no ESC reports";
    public static string ValueWrongOrMissing => "value wrong or missing";
    public static string TheVtxDoesNotRespond => "the VTX does not respond";
    public static string NoRangefinderReading => "no rangefinder reading";
    public static string TheCameraMenuDoesNot => "the camera menu does not open";
    public static string NoNewLog => "no new log";
    public static string NoConnection => "no connection";
    public static string EnterWhatYouSee => "Enter what you see.";
    public static string EverythingSeenIsAsExpected => "Everything seen is as expected.";
    public static string NoSingleFaultOrPair => "No single fault or pair explains this. Is one of the answers wrong?";
    public static string NoSingleFaultOrPairExplains => "No single fault or pair explains this.";

    public static string CausesRemainNoTestCan(int count) => $"{count} causes remain; no test can separate them.";

    public static string NoSingleFaultExplainsThis => "No single fault explains this. These pairs do.";

    public static string CausesRemain(int count) => $"{count} causes remain.";

    public static string OrMoreThatNoTest(int count) => $" (or {count} more that no test can separate)";

    public static string NoFault => "no fault";
    public static string NotAsExpected => "not as expected";
    public static string FromEarlierWiringNoLonger => "from earlier wiring: no longer counts";
    public static string NotYetOneOfThe =>
        "Not yet: one of the remaining causes destroys something when powered. Measure without power first.";

    public static string StatusLight(string name) => $"{name} status light";

    public static string RadioAndGogglesOnWhat(string which, string name) =>
        $"Radio and goggles on{which}: what does the {name}'s light show?";

    public static string CheckTheLightWarmthAnd(string name) => $"Check the {name}: light, warmth, and what it powers.";

    public static string NoLightCold => "no light, cold";
    public static string LightCutsOut => "light cuts out";
    public static string SolidWithTheRadioOff => "solid with the radio off: bootloader";
    public static string BatteryVoltageOnTheBoards => "Battery voltage on the board's settings page";
    public static string PropellersOffConnectTheBattery =>
        "Propellers off. Connect the battery or bench supply, then USB: read the battery voltage on the board's settings page.";
    public static string BatteryVoltage => "battery voltage";
    public static string Of00VOrNothing => "0.0 V, or nothing";
    public static string BatteryVoltageOnTheRadio => "Battery voltage on the radio";
    public static string FindBatteryVoltageAmongThe => "Find battery voltage among the radio's telemetry values.";
    public static string ShownMarkerBlinking => "shown, marker blinking";
    public static string NotShown => "not shown";
    public static string EveryWireAsInLoom => "every wire as in Loom, no solder bridges";

    public static string ConnectsToNothing(string label) => $"{label} connects to nothing";

    public static string IsOn(string label, string padWords) => $"{label} is on {padWords}";

    public static string SolderBridgeBetweenAnd(string label, string label2) =>
        $"solder bridge between {label} and {label2}";

    public static string WiresUnderMagnification(string name) => $"{name} wires under magnification";

    public static string DisconnectBatteryAndUsbTrace(string name) =>
        $"Disconnect battery and USB. Trace each wire of the {name} end to end; inspect between its pads under magnification.";

    public static string WireContinuityWhileMoved(string name) => $"{name} wire continuity while moved";

    public static string DisconnectBatteryAndUsbCheckContinuity(string name) =>
        $"Disconnect battery and USB. Check continuity of each wire of the {name} from its end to its pad while moving both ends.";

    public static string ContinuityOnAllNoneDrops => "continuity on all, none drops out";

    public static string IsOpen(string label) => $"{label} is open";

    public static string ContinuityOfDropsOut(string label) => $"continuity of {label} drops out";

    public static string OwnSettings(string name) => $"{name} own settings";

    public static string CheckTheSOwnSettings(string name) =>
        $"Check the {name}'s own settings or menu: protocol, baud, polarity, firmware.";

    public static string AllSettingsMatchItsPort => "all settings match its port";
    public static string NoResponse => "no response";
    public static string WorksNow => "works now";
    public static string NoChange => "no change";

    public static string PutAnotherOnTheSame(string away, string name, string antenna) =>
        $"{away} Put another {name} on the same wires, then set it up and bind it as planned.{antenna}";

    public static string OnAnotherPort(string name) => $"{name} on another port";

    public static string SolderTheSSignalWires(string away, string name) =>
        $"{away} Solder the {name}'s signal wires to another free port of the same type, and set that port's function.";

    public static string WiresSwapped(string name) => $"{name} wires swapped";

    public static string SwapAndOfTheAt(string away, string label, string label2, string name) =>
        $"{away} Swap {label} and {label2} of the {name} at the board.";

    public static string AntennaOnAirflowOver => ", antenna on, airflow over it";
}
