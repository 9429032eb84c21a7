namespace Gorvix.Core.Wired.Loom;

/// <summary>What the floor Loom says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string SaveTwoDumpsOfThe =>
        "Save two dumps of the board's settings, full and diff from default, with date and firmware. Then unplug USB and battery.";
    public static string SettingsSaved => "settings saved";

    public static string VOneWayOpenThe(double value) => $"{value:0.0#} V one way, open the other";

    public static string SteadyBeepIsShortedDo(string label) =>
        $"Steady beep: {label} is shorted – do not power up. A short chirp is a capacitor charging.";

    public static string ContinuityMeansIsShortedTo(string label, string label2) =>
        $"Continuity means {label} is shorted to {label2}.";

    public static string ContinuityMeansASolderBridge => "Continuity means a solder bridge between them.";
    public static string DiodeDropOneWayOnly =>
        "Diode drop one way only. Continuity means a solder bridge between them.";
    public static string OpenMeansAColdJoint => "Open means a cold joint or a broken wire.";
    public static string OpenMeansAContactNot => "Open means a contact not fully seated in its plug.";
    public static string ContinuityMeansThisLeadIs =>
        "Continuity means this lead is still in its plug; it should be de-pinned.";

    public static string IsOn(string leadWords, string at) => $"{leadWords} is on {at}";

    public static string IsDePinned(string label) => $"{label} is de-pinned";

    public static string APigtailIsIn(string label) => $"a pigtail is in {label}";

    public static string IsCutOff(string label) => $"{label} is cut off";

    public static string PlugIsIn(string name, string label) => $"{name} plug is in {label}";

    public static string SolderJumperIsAt(string bridge, string position) =>
        $"solder jumper {bridge} is at \"{position}\"";

    public static string IsInPin(string label, int at) => $"{label} is in pin {at}";

    public static string RxInverted => "RX inverted";
    public static string TxInverted => "TX inverted";
    public static string RxTxSwapped => "RX/TX swapped";
    public static string MakeAdapter => "Make adapter";
    public static string SpliceHarnesses => "Splice harnesses";
    public static string SolderToPads => "Solder to pads";

    public static string AdapterLeadMatingPlugFor(string plug, string label, string socketPlug) =>
        $"Adapter lead: mating plug for the harness{plug} at one end, plug for {label}{socketPlug} at the other, wired by function as below. The harness stays unchanged. Check every line for continuity before plugging in.";

    public static string LeaveHarnessUnconnected(string which, string list) =>
        $"Leave harness {which} {list} unconnected.";

    public static string IsUnconnectedInTheAdapter(string label) => $"{label} is unconnected in the adapter";

    public static string CutThePlugOffThe(string name) => $"cut the plug off the {name} harness, ";

    public static string SpliceTwoHarnessesTakeA(string off, string label, string socketPlug) =>
        $"Splice two harnesses: {off}take a pigtail for {label}{socketPlug}, and join lead to wire as below. Heat-shrink first; stagger the joints, no two side by side.";

    public static string PigtailColoursDifferCheckWith =>
        "Pigtail colours differ: check with the meter which wire goes to which pin.";

    public static string InsulateEachOneSeparately(string list) => $"Insulate {list}, each one separately.";

    public static string WithoutDePinEachLead(string which) =>
        $"Without {which}: de-pin each lead and solder it to a board pad on the same copper.";

    public static string GoesToPinThroughAn(string label, int to) => $"{label} goes to pin {to} through an adapter";

    public static string ConnectedByThePlug => "connected by the plug";

    public static string RedIsNotASupply(string label) => $"Red is not a supply here: it is {label}.";

    public static string BlackIsNotGroundHere(string label) => $"Black is not ground here: it is {label}.";

    public static string AreAllMarkEachOne(string list, string? key) =>
        $"{list} are all {key}: mark each one before cutting.";

    public static string ShortedAt(string label, string label2) => $"{label} shorted at {label2}";

    public static string OnWhereNothingShould(string label, string which, string label2) =>
        $"{label} {which} on {label2}, where nothing should";

    public static string MeetsBothTransmitNobodyReceives(string label, string tx) =>
        $"{label} meets {tx}: both transmit, nobody receives";

    public static string MeetsBothReceiveNobodyTransmits(string label, string rx) =>
        $"{label} meets {rx}: both receive, nobody transmits";

    public static string PlugFor(string name, string socket, string words, string insulate, string reasons) =>
        $"{name} plug for {socket}: {words}.{insulate}{reasons}";

    public static string DePinFromTheUnused(string name, string list) =>
        $"De-pin from the unused {name} plug: {list}. Mark each lead.";

    public static string InsertIntoPin(string label, int? to) => $"insert {label} into pin {to}";

    public static string MoveFromPinToPin(string label, int? start, int? to) =>
        $"move {label} from pin {start} to pin {to}";

    public static string CutShortAndInsulate(string list) => $" Cut {list} short and insulate.";

    public static string TakeAPigtailForA(string label) =>
        $"Take a pigtail for {label}: a mating plug with bare wires. Check with the meter which wire goes to which pin; colours prove nothing.";

    public static string SolderToThePigtailWire(string name, string lead, string at, string job) =>
        $"{name}: solder {lead} to the pigtail wire for {at}. {job}.";

    public static string TugTheJointNoStrand => "Tug the joint; no strand may poke through the heat-shrink.";

    public static string WiresOneFromEachUnit(int pieces) => $", {pieces} wires, one from each unit,";

    public static string ButThisIsSupply => ", but this is supply +";
    public static string ButThisIsGround => ", but this is ground";
    public static string ButNoSupply => ", but no supply";
    public static string ButNotGround => ", but not ground";

    public static string CloseOneSideOnlyNever(string other) => $" Close one side only: never {other} as well.";

    public static string SolderJumperClose(string id, string one, string now, string never) =>
        $"Solder jumper {id}: close \"{one}\"{now}.{never}";

    public static string OpenSolderJumperNoSolder(string id, string now) =>
        $"Open solder jumper {id}: no solder on it{now}.";

    public static string UnderMagnificationSolderOnThe =>
        "Under magnification: solder on the two intended pads, and on no third.";

    public static string NowAt(string usual) => $" (now at \"{usual}\")";

    public static string WiresShareThisPadTwist(int sharing, string heat) =>
        $"{sharing} wires share this pad: twist and tin them together, solder them in one go. {heat}";

    public static string UnderMagnificationSolderOnThis => "Under magnification: solder on this pad only.";
    public static string SameCopper => " (same copper)";

    public static string UnderMagnificationNothingBetweenAnd(string label, string list) =>
        $"Under magnification: nothing between {label} and {list}.";

    public static string PlugIntoCheckTheLatch(string name, string label) =>
        $"Plug {name} into {label}: check the latch, do not force it.";

    public static string NotDone => "Not done";

    public static string UnplugIt(string told) => $"Unplug it: {told}.";

    public static string CheckWhetherThisIsStill(string told) =>
        $"Check whether this is still true, then clear the record: {told}.";

    public static string RemoveItInsulateTheEnd(string told) => $"Remove it: {told}. Insulate the end of the lead.";

    public static string UnderMagnificationNothingLeftOn(string label, string beside) =>
        $"Under magnification: nothing left on {label}{beside}.";

    public static string AndNothingBetweenItAnd(string list) => $", and nothing between it and {list}";

    public static string SupplyFrom(string name) => $"supply from {name}";

    public static string ConnectedByItsPlug => "connected by its plug";

    public static string AnalogueSignal(string need, string name, string name2) =>
        $"{need}: analogue signal {name} → {name2}";

    public static string OneWireHalfDuplex(string name) => $"{name}, one-wire half-duplex";

    public static string FineTip =>
        "Fine tip, about 350 °C, brief contact. Flux, tin pad and wire first, tape over the neighbouring pads.";
    public static string SmallPad => "About 350 °C, brief contact. Flux, tin pad and wire first.";
    public static string HeavyCopper =>
        "Up to 400–440 °C and a wider tip: the copper behind it sinks the heat. Flux, tin both first, brief contact.";
    public static string OnJumper => "Sentences.FineTip tip, about 350 °C, flux, little solder.";
    public static string InAir =>
        "Heat-shrink over the wire first, then tin both ends and join; shrink it once the joint is cold.";
    public static string LiftTheWire =>
        "About 350 °C, more on a ground plane. Add fresh flux and solder, then lift the wire without pulling. Clean the pad with wick.";
    public static string ThePigtail => "the pigtail";
    public static string TheSocket => "the socket";
    public static string MayTransmit => "may transmit";
}
