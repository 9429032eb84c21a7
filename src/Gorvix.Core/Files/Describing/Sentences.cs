namespace Gorvix.Core.Files.Describing;

/// <summary>What the floor Describing says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string IsAlreadySetInLine(string key, int firstAt) => $"\"{key}\" is already set in line {firstAt}";

    public static string KeepOneOfTheTwo => "Keep one of the two lines.";

    public static string NoLineDefinesARail(string text) => $"no line defines a rail \"{text}\"";

    public static string AddALineForIt(string purpose) => $"Add a line for it: {purpose}";

    public static string FirmwareTargetUnknownAnotherRevision =>
        "Firmware target unknown: another revision may need a different one.";
    public static string BoardSizeUnknownWiresAnd => "Board size unknown: wires and rows are drawn on 36 × 36 mm.";
    public static string SupplyInputRangeUnknownNo => "Supply input range unknown: no battery is checked against it.";

    public static string UnknownWhetherHasPowerOn(string label) => $"Unknown whether {label} has power on USB.";

    public static string CurrentLimitOfUnknown(string label) => $"Current limit of {label} unknown.";

    public static string NoPortsYetEnterThe => "No ports yet: enter the pads as printed.";

    public static string PitchOfUnknownNoPlug(string label) =>
        $"Pitch of {label} unknown: no plug is matched to it; leads are soldered.";

    public static string NoPadConnectsToNothing(string name) =>
        $"No pad connects to {name}: nothing can be wired to it.";

    public static string NotConnected => "not connected";
    public static string NonInvertedOrInverted => ", non-inverted or inverted";

    public static string PinNotUsedByAny(string? net) => $"pin {net}, not used by any port";

    public static string RxAndTxCanBe =>
        "RX and TX can be inverted in the controller: any pad works with either polarity.";
    public static string NoInversionInTheController =>
        "No inversion in the controller: an inverted protocol needs a pad behind an inverter, or a device that can change its polarity.";
    public static string RxAndTxOfA => "RX and TX of a port can be swapped in the settings.";
    public static string RxAndTxCannotBe => "RX and TX cannot be swapped.";

    public static string AssumedPinsTolerateVCheck(double classStands) =>
        $"Assumed: pins tolerate {classStands:0.#} V. Check the datasheet for each pin used; enter what differs at the port.";

    public static string BaudRatesAreDividedFrom(double clockMegahertz) =>
        $"Baud rates are divided from {clockMegahertz:0.#} MHz unless the port sets another clock.";

    public static string BoardSizeNotSetYet(double most, double most2) =>
        $"Board size not set yet: drawn as {most} × {most2} mm.";

    public static string SupplyRangeOfUnknownIts(string label) =>
        $"Supply range of {label} unknown: its voltage is not checked.";

    public static string PeakCurrentOfUnknownRail(string label) =>
        $"Peak current of {label} unknown: rail loads are not added up.";

    public static string PlugPitchUnknownItIs =>
        "Plug pitch unknown: it is matched to no socket; its leads are soldered.";
    public static string NoFunctionsYet => "No functions yet.";
    public static string CannotBeChecked => "cannot be checked.";
    public static string OnAnyPadNonInverted => "on any pad, non-inverted or behind an inverter.";
    public static string OnANonInvertedPad => "on a non-inverted pad; never behind an inverter.";
    public static string OnlyBehindAnInverter => "only behind an inverter.";
    public static string OnNoSerialPadOf => "on no serial pad of this class.";
    public static string RxOfAPortThat => "RX of a port that the label does not name";
    public static string TxOfAPortThat => "TX of a port that the label does not name";
    public static string ICDataSda => "I²C data (SDA)";
    public static string ICClockScl => "I²C clock (SCL)";
    public static string BatteryUnregulated => "battery, unregulated";
    public static string VideoFromTheCamera => "video from the camera";
    public static string VideoToTheVtx => "video to the VTX";
    public static string CurrentSense => "current sense";
    public static string CameraControl => "camera control";
    public static string LedStrip => "LED strip";

    public static string MotorOrServo(int number) => $"motor or servo {number}";

    public static string TheTextHasCharacters(int length) => $"the text has {length} characters";

    public static string TheLimitIsABoard(int mostLetters) =>
        $"The limit is {mostLetters}: a board text fits on one page.";

    public static string TheTextHasLines(int length) => $"the text has {length} lines";

    public static string TheLineHasCharacters(int length) => $"the line has {length} characters";

    public static string TheLimitIsSplitIt(int mostLine) => $"The limit is {mostLine}: split it into several rows.";

    public static string EndQuotedTextWithA =>
        "End quoted text with a quote; inside it, write \\\" for a quote and \\\\ for a backslash.";

    public static string StartsWithNoKnownKeyword(string brief) =>
        $"\"{brief}\" starts with no known keyword and has no colon";

    public static string WriteARowOfPads =>
        "Write a row of pads as \"top left: R1 T1 5V G\", a socket as \"AIR: BAT G T3 R3\".";

    public static string WriteThisLineAs(string purpose) => $"Write this line as: {purpose}";

    public static string TheQuotesAreNotClosed => "the quotes are not closed, or something follows them";
    public static string RemoveTheQuotesOrPut => "Remove the quotes, or put one before and one after the text.";

    public static string NothingFollows(string word) => $"nothing follows \"{word}\"";

    public static string WriteTheValueAfterIt => "Write the value after it, or remove the line.";
    public static string Air125MmBottom => "AIR (1.25 mm) bottom right: BAT G T3 R3 G SBUS=U2.RX";

    public static string WithThisLineTheBoard(int mostPads) => $"with this line the board exceeds {mostPads} pads";

    public static string NoBoardHasThatMany => "No board has that many: remove anything that is not a pad.";

    public static string AlreadyHasAWaysLine(string text) => $"\"{text}\" already has a ways line";

    public static string MergeBothIntoOneLine => "Merge both into one line, with | between them.";

    public static string NoRowOrSocketHas(string text) => $"no row or socket has a pad \"{text}\"";

    public static string AddItToARow => "Add it to a row first: \"top left: R4\".";

    public static string SeveralPadsAreLabelled(string text) => $"several pads are labelled \"{text}\"";

    public static string UseTheIdOfThe(string list) => $"Use the id of the one you mean: {list}.";

    public static string PortHasNo(string id, string half) => $"port {id} has no {half}";

    public static string AddItAsInPort(string id) =>
        $"Add it, as in \"port {id}: RX TX\", or use a signal this port has.";

    public static string ThereIsNoRail(string whole) => $"there is no rail \"{whole}\"";

    public static string AddItsLineOrUse(string purpose) => $"Add its line, {purpose}, or use a port signal (U3.RX).";

    public static string ThereIsNoPort(string name) => $"there is no port \"{name}\"";

    public static string AddItsLinePortRx(string name) => $"Add its line: port {name}: RX TX.";

    public static string UBehindAnInverter(int n, string half) => $"U{n} {half}, behind an inverter";

    public static string CannotReadWherePadLeads(string label, string formatErrorMessageFragment) =>
        $"cannot read where pad {label} leads: {formatErrorMessageFragment}";

    public static string WriteItAsBoardText =>
        "Write it as board text: U3.RX, 5V, or J4=raw > U4.RX | J4=inverted > inverter > U4.RX.";
    public static string CloseTheQuotesOrRemove => "Close the quotes, or remove them.";
    public static string AlsoPoweredFromUsbThrough => "also powered from USB, through a diode";
    public static string ARegulatorPoweredFromThe => "a regulator powered from the battery, on USB unknown";

    public static string MarksNeeded(int most) =>
        $"Mark at least two points on the photo, at most {most}: the four corners, or holes and pads.";

    public static string MarkOutside(int number) =>
        $"Point {number} is far outside the photo or the board. Mark it again.";

    public static string MarksInOnePlace(int one, int other) =>
        $"Points {one} and {other} are in the same place. Move one of them.";

    public static string MarksOnOneLine => "The points are on one line. Mark one away from it.";
    public static string MarksCrossed =>
        "The points are crossed, or this is the other side of the board. Check which corner is which.";
}
