namespace Gorvix.Core.Work.Drills;

/// <summary>What the floor Drills says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string WhichRailPowersPad(string pad) => $"Which rail powers pad {pad}?";

    public static string SelectsIt(string list) => $"; {list} selects it";

    public static string OfTheIsWiredTo(string label, string name, string pad, string fed) =>
        $"{label} of the {name} is wired to pad {pad}. {fed}: what happens?";

    public static string WiredAsPlannedOnlyUsb(string name) =>
        $"Wired as planned, only USB connected: is the {name} powered?";

    public static string PoweredFromOnUsbPower(string padsAt, string volts, string window) =>
        $"Powered from {padsAt}: {volts} on USB power, needs {window}.";

    public static string ItHasOnUsbPower(string volts, string window) =>
        $"It has {volts} on USB power, needs {window}.";

    public static string WiredAsPlannedButWith(int cells, int cells2, string name, string label) =>
        $"Wired as planned, but with a full {cells}S pack instead of {cells2}S: what happens to the {name} at its {label} lead?";

    public static string ASPackFromFull(int cells, string name) =>
        $"A {cells}S pack, from full to empty, on the supply input of the {name}: what happens to the board?";

    public static string ItGetsNeeds(string volts, string input) => $"It gets {volts}, needs {input}.";

    public static string WithTheItHasNeeds(string name, string volts, string window) =>
        $"With the {name} it has {volts}, needs {window}.";

    public static string WithTheJumpersAsSet => "With the jumpers as set, no supply reaches that pad.";

    public static string ItHasNeeds(string volts, string window) => $"It has {volts}, needs {window}.";

    public static string VAtTheSupplyInput(double volts) => $"{volts:0.##} V at the supply input";

    public static string SPackFromFullTo(int cells) => $"{cells}S pack, from full to empty";

    public static string ThisDrillIsOverStart => "This drill is over. Start another one.";
    public static string ThatIsNotTheCurrent => "That is not the current question. Reload the drill.";
    public static string ThatIsNotOneOf => "That is not one of the answers. Choose one.";
    public static string AnswerTheQuestion => "Answer the question.";
    public static string ThatTestIsNotIn => "That test is not in this drill. Reload the drill.";
    public static string ThatTestIsAlreadyDone => "That test is already done. The result is the same.";
    public static string ThatFaultIsNotIn => "That fault is not in this drill. Choose one from the list.";
    public static string YouAlreadyNamedThatFault => "You already named that fault. It is not the one.";
    public static string RunATestOrName => "Run a test, or name the fault.";
    public static string NoFault => "no fault";

    public static string WhichPadConnectsTo(string words) => $"Which pad connects to {words}?";

    public static string PadFor(string words, string list) => $"Pad for {words}: {list}.";

    public static string WhatDoesPadConnectTo(string pad) => $"What does pad {pad} connect to?";

    public static string OfTheWouldItWork(string need, string device, string name) =>
        $"{need} of the {device}: would it work on {name} if that port were free?";

    public static string ItConnectsTo(string right, string which, string which2) =>
        $"It connects to {right}{which}{which2}.";

    public static string VideoFromTheCamera => "video from the camera";
    public static string VideoToTheVtx => "video to the VTX";

    public static string PulseInput(string name) => $"pulse input {name}";

    public static string AnalogueInput(string name) => $"analogue input {name}";

    public static string AnalogueOutput(string name) => $"analogue output {name}";

    public static string ThatLinkIsNotPart => "That link is not part of this drill.";

    public static string TheBoardHasNoPort(string act) => $"The board has no port {act}.";

    public static string IsNotPlacedYetPut(string need) =>
        $"{need} is not placed yet. Put it on a port, or leave it unconnected.";

    public static string PutALinkOnA => "Put a link on a port, or confirm that all are placed.";

    public static string NotPlaced(string here) => $"Not placed. {here}";

    public static string TheBestPlanLeavesIt => "The best plan leaves it unconnected too.";

    public static string LeftUnconnectedButItCan(string here) => $"Left unconnected, but it can be connected. {here}";

    public static string ItWouldWorkThereAlone(string here) =>
        $"It would work there alone, but not with your other links. {here}";

    public static string TheBestPlanLeavesItUnconnected => "The best plan leaves it unconnected.";

    public static string BestPlan(string sentence) => $"Best plan: {sentence}";

    public static string AsGoodAsTheBest => "As good as the best plan.";
    public static string AllLinksAsGoodAs => "All links as good as the best plan.";

    public static string OfAsGoodAsThe(int best, int count) => $"{best} of {count} as good as the best plan";

    public static string ThroughAnInverter => ", through an inverter";

    public static string AsIsSet(string jumpers) => $", as {jumpers} is set";
}
