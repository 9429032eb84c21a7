namespace Gorvix.Core.Wired.Leaflets;

/// <summary>What the floor Leaflets says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string BoardSizeUnknownTheOutline => "Board size unknown: the outline is drawn around the pads.";
    public static string TopSide => "top side";
    public static string BottomSide => "bottom side";

    public static string ConnectsTo(string list) => $"connects to {list}";

    public static string MeasureBeforeUse => "measure before use";
    public static string NotConnectedLeaveUnwired => "not connected: leave unwired";
    public static string FullUart => "full UART";
    public static string RxOrTxOnlyUart => "RX- or TX-only UART";
    public static string FirmwareTarget => "Firmware target";
    public static string HowToIdentifyIt => "How to identify it";
    public static string SupplyInput => "Supply input";
    public static string BuiltIn => "Built in";
    public static string RecommendedFor => "Recommended for";
    public static string OnUsbPower => "On USB power";
    public static string PinsFromTheMarkedEnd => "Pins from the marked end";
    public static string SolderJumpers => "Solder jumpers";
    public static string FromFactory => "From factory";
    public static string SetBy => "Set by";
    public static string SoftwareSerial => "software serial";
    public static string PulseInput => "pulse input";
    public static string AnalogueOsd => "analogue OSD";
    public static string AnaloguePins => "analogue pins";

    public static string InUseOnTheBoard(string holder) => $"in use on the board: {holder}";

    public static string UartRxAndTx => "UART, RX and TX";
    public static string UartRxOnly => "UART, RX only";
    public static string UartTxOnly => "UART, TX only";
    public static string UartWithoutPads => "UART without pads";
    public static string InputVoltage => "input voltage";
    public static string FirmwareSetting => "firmware setting";
    public static string DependsOnHarness => "depends on harness";
    public static string BareLeads => "bare leads";
    public static string DirectFromBattery => "Direct from battery";
    public static string PlugPin => "Plug pin";
    public static string LogicLevel => "Logic level";

    public static string AtVConstantPower(double at) => $" at {at:0.0#} V (constant power)";

    public static string InBandNoSeparateWire => "in-band, no separate wire";
    public static string AnalogueLevel => "analogue level";
    public static string SupplyOutput => "supply output";
    public static string SignalTransmitsUnprompted => "signal, transmits unprompted";
    public static string NotDirectFromBattery => "not direct from battery";
}
