namespace Gorvix.Core.Hardware.Parts;

/// <summary>What the floor Parts says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string ControllerClass => "controller class";
    public static string JumperPosition => "jumper position";

    public static string IsMmButTheBoard(double width, double depth, double width2, double depth2) =>
        $"is {width} × {depth} mm, but the board is {width2} × {depth2} mm";

    public static string HoleCentresMustLieInside => "Hole centres must lie inside the board: measure both again.";
    public static string FractionOfInputPower => "(fraction of input power)";
    public static string IsTheBoardsOwnCurrent => "is the board's own current on a rail without a regulator";
    public static string GiveItOnTheRail => "Give it on the rail that the controller runs on, such as 3V3 or 5V.";
    public static string DescribesARegulatorButNothing => "describes a regulator, but nothing regulates it";
    public static string RemoveKindDropoutEfficiencyAnd =>
        "Remove kind, dropout, efficiency and quiescent, or set under \"feed\" what regulates it.";
    public static string ABusWithoutDataAnd => "a bus without data and clock";
    public static string ABusWithAnRx => "a bus with an RX or a TX";
    public static string DataOrClockOnA => "data or clock on a port that is not a bus";
    public static string OnlyAUartCanBe => "only a UART can be remapped to other pins";
    public static string TheseAlternativePinsHaveNo => "these alternative pins have no net";
    public static string Of7BitAddress0x08To => "(7-bit address, 0x08 to 0x77)";
    public static string OnlyABusHasAddresses => "only a bus has addresses";
    public static string APathWithBothA => "a path with both a net and a rail";
    public static string NoNetOrRail => "no net or rail";
    public static string DividerRatio => "(divider ratio)";
    public static string ThereIsNothingToChoose => "There is nothing to choose from.";
    public static string IsMissing => "is missing";

    public static string IsCharactersLong(int length) => $"is {length} characters long";

    public static string IsEmpty => "is empty";

    public static string TheLimitIs(int most) => $"The limit is {most}.";

    public static string ItMustBeTo(double low, double high, string of) => $"It must be {low} to {high}{of}.";

    public static string IsVButTheMaximum(double min, double max) => $"is {min} V, but the maximum is {max} V";

    public static string TheMinimumMustBeBelow => "The minimum must be below the maximum.";

    public static string InBandOver(string name) => $"in-band over {name}";

    public static string SaysHasOneWirePer(string label) =>
        $"says {label} has one wire per unit, but the device is a single unit";

    public static string SetUnitsToTheNumber => "Set \"units\" to the number of units, or remove \"wires\".";
    public static string OutputLead => "output lead";
    public static string IsSetAlongsideHarnesses => "is set alongside harnesses";
    public static string MoveThePlugIntoOne => "Move the plug into one of the harnesses.";

    public static string LackWhichPowersTheDevice(string lead) => $"lack \"{lead}\", which powers the device";

    public static string EveryHarnessNeedsTheSupply => "Every harness needs the supply lead; add it.";

    public static string IsNotInAnyHarness(string label) => $"({label}) is not in any harness";

    public static string AddItToItsHarness => "Add it to its harness, or remove it.";
    public static string OtherFunctionOfTheDevice => "other function of the device";
    public static string ListsAnInBandFunction =>
        "lists an in-band function for a mode in which the board never transmits";
    public static string RemoveItOrAddThe => "Remove it, or add the line on which the board transmits.";
    public static string PortFunctionOfThisFirmware => "port function of this firmware";
    public static string SupplyLead => "supply lead";

    public static string IsAButTypicalIs(double? peak, double? typical) => $"is {peak} A, but typical is {typical} A";

    public static string PeakMustNotBeBelow => "Peak must not be below typical.";

    public static string OrJustBoth(string words) => $"{words}, or just \"both\"";

    public static string AddTheLineOrList => "Add the line, or list the missing function under \"loses\".";

    public static string AreSetInAMode(string name) => $"are set in a {name} mode";

    public static string OnlyBusDevicesHaveAddresses => "Only bus devices have addresses: remove them.";
    public static string HasNoAddress => "has no \"address\"";
    public static string EveryBusDeviceNeedsOne => "Every bus device needs one; it is in the datasheet.";
    public static string NoLine => "no line";

    public static string AtVMaximumIsUnusual(string label, double max) =>
        $"{label} at {max:0.##} V maximum is unusual for this type of device: is that a typing slip?";

    public static string FromToVIsAn(string label, double min, double max) =>
        $"{label} from {min:0.##} to {max:0.##} V is an unusually wide range: is that a typing slip?";

    public static string DrawsAIsThatMilliamperes(string label, double most) =>
        $"{label} draws {most:0.##} A: is that milliamperes?";

    public static string InputMaximumVIsUnusual(double max) =>
        $"Input maximum {max:0.##} V is unusual: is that a typing slip?";

    public static string MmIsUnusuallyLargeFor(double width, double depth) =>
        $"{width:0.#} × {depth:0.#} mm is unusually large for a board: is that a typing slip?";

    public static string RailVIsUnusualIs(string label, double? volts, string which) =>
        $"{label} rail: {volts:0.##} V{which} is unusual: is that a typing slip?";
}
