namespace Gorvix.Core.Wired.Fit;

/// <summary>What the floor Fit says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string AlreadyWiredThisWay => "Already wired this way.";
    public static string CurrentlyWiredHere => "Currently wired here.";

    public static string ConnectsHere(string link, string list) => $"{link} connects here: {list}.";

    public static string IsHereNoExtraWire(string link, string name) => $"{link} is {name} here: no extra wire.";

    public static string NotCosted => "not costed";

    public static string CouldGoOnStillWorking(string link, string name) =>
        $"{link} could go on {name}. Still working out the cost.";

    public static string MayFitOnCostUnknown(string link, string name) =>
        $"{link} may fit on {name}. Cost unknown: too many combinations to check.";

    public static string FullBattery => "full battery";
    public static string EmptyBattery => "empty battery";

    public static string ThisBoardHasNoPort(string list) => $"This board has no port for its {list}.";

    public static string OfLinksConnectedWithout(int carried, int wanted, string without, string without2) =>
        $"{carried} of {wanted} links connected.{without}{without2}";

    public static string BestFoundSoFarNot => "Best found so far, not proven best.";
    public static string NoLinksAddedYet => "No links added yet.";
    public static string Of1LinkConnected => "1 link connected.";
    public static string BothLinksConnected => "Both links connected.";

    public static string AllLinksConnected(int links) => $"All {links} links connected.";

    public static string InvertedInSoftware => ", inverted in software";

    public static string FirmwareTarget(string target) => $"Firmware target {target}.";

    public static string IsLimitedToAndWould(string label, string amperes, string amperes2) =>
        $"{label} is limited to {amperes} and would have to supply {amperes2}";

    public static string AlreadyUsesAddressOn(string addressWords, string owner) =>
        $"already uses address {addressWords} on {owner}";

    public static string AlreadyHasTheBoardsOnly(string jobWords) => $"already has the board's only {jobWords}";

    public static string UsesTheSameLead => "uses the same lead";
    public static string NeedsTheSamePlugPin => "needs the same plug pin";

    public static string NeedsJumperAt(string id, string position) => $"needs jumper {id} at \"{position}\"";

    public static string IsOn(string pads) => $"is on {pads}";

    public static string HasAPigtailIn(string socket) => $"has a pigtail in {socket}";

    public static string AlreadyHasOn(string job, string name) => $"already has {job} on {name}";

    public static string NeedsOnItsDefaultPins(string name) => $"needs {name} on its default pins";

    public static string NeedsRemappedTo(string name, string pins) => $"needs {name} remapped to {pins}";

    public static string IsNotConnected => "is not connected";
    public static string UsesIt => "uses it";
    public static string ItsPin => "its pin";

    public static string IsNoLongerInThe(string link) => $"{link} is no longer in the build.";

    public static string MoreLink => "more link";
    public static string BetterPlanFoundSuppliesPlugs =>
        "Better plan found: supplies, plugs or pads changed; every link keeps its port.";

    public static string BetterPlanFoundMoved(string count, string which, string more) =>
        $"Better plan found: {count} {which} moved.{more}";

    public static string ThePlugWasAndIs(string name, string seat, string seat2) =>
        $"The {name} plug was {seat} and is now {seat2}.";

    public static string TheSupplyMovedFromTo(string name, string start, string to) =>
        $"The {name} supply moved from {start} to {to}.";

    public static string YouPinnedItThere => "You pinned it there.";
    public static string YouBlockedItThere => "You blocked it there.";

    public static string IsNowUsedBy(string name, string list) => $"{name} is now used by {list}.";

    public static string NoPort => "no port";

    public static string ThatDrops(string list) => $"that drops {list}";

    public static string ThatDisplaces(string list) => $"that displaces {list}";

    public static string ItOverridesAnotherOfYour => "it overrides another of your pins";
    public static string ItAdds3040Cpu => "it adds 30–40 % CPU load";

    public static string ItLoses(string list) => $"it loses {list}";

    public static string AddsHazard => "adds hazard";
    public static string SoftwareSerial => "software serial";

    public static string ThePlugWouldBeNow(string name, string seat, string was) =>
        $"the {name} plug would be {seat} (now {was})";

    public static string YourOtherPinsOccupyWhat => "your other pins occupy what it needs";

    public static string AsYouPinnedIt(string list) => $"{list}, as you pinned it";

    public static string ItAddsOneMoreHazard => "it adds one more hazard";

    public static string ItAddsAHazard(string clause) => $"it adds a hazard: {clause}";

    public static string ItNeeds(string summary, string list) => $"it needs {summary}: {list}";

    public static string RxWithTx(string rx, string tx) => $"{rx} (RX) with {tx} (TX)";

    public static string SupportsEveryPortFunction => "Supports every port function.";

    public static string DoesNotSupport(string list) => $"Does not support: {list}.";

    public static string NoSoftwareSerial => "No software serial.";
    public static string SupportsSoftwareSerial => "Supports software serial.";
    public static string TwoFunctionsCannotShareA => "Two functions cannot share a port.";

    public static string CanShareAPort(string list) => $"Can share a port: {list}.";

    public static string ReceiverInputOnOnePort =>
        "Receiver input on one port only; every other function on any number of ports.";

    public static string OnePortOnlyForEach(string list) => $"One port only for each of: receiver input, {list}.";

    public static string DigitalOsdNeedsExtraSettings(string list) => $"Digital OSD needs extra settings: {list}.";

    public static string DeclinationAsDegreesAndMinutes =>
        "Declination as degrees and minutes in one number: enter 3°27' as 327.";
    public static string DeclinationInDecimalDegreesEnter => "Declination in decimal degrees: enter 3°27' as 3.45.";
    public static string AtLeast => "at least ";

    public static string NothingElseFitsOnThe(string name) => $"Nothing else fits on the {name} without moving a link.";

    public static string BothWaysOneWire => "both ways, one wire";
    public static string ItDoesNotSupportYour => "It does not support your links.";

    public static string OfLinksConnected(int carried, int count) => $"{carried} of {count} links connected.";

    public static string BestFoundSoFar(string gap) => $"Best found so far. {gap}";

    public static string LostFunction => "lost function";
    public static string LostFunctions => "lost functions";

    public static string AboutCpuLoad(int n) => $"about {n} % CPU load";

    public static string OfWork(string about) => $"{about} of work";

    public static string ChangeTheBoardFirmwareTo(string name) => $"Change the board firmware to {name}";

    public static string ReplaceTheWithThe(string name, string name2) => $"Replace the {name} with the {name2}";

    public static string AddTheAndPowerThe(string name) => $"Add the {name} and power the device from it";

    public static string SwapBoardTo(string name) => $"Swap board to {name}";

    public static string ChangeTheBuild => "Change the build";

    public static string UseTheHarnessOnThe(string name, string name2) => $"Use the \"{name}\" harness on the {name2}";

    public static string HouseRule(string title, string name) => $"House rule \"{title}\": {name}";

    public static string OnePartToBuy => "one part to buy";
    public static string NewFirmwareOnTheBoard => "new firmware on the board";
    public static string OneMoreHazard => "one more hazard";

    public static string MoreHazards(int n) => $"{n} more hazards";

    public static string OneLinkMoves => "one link moves";

    public static string LinksMove(int moved) => $"{moved} links move";

    public static string NothingElseChanges => "nothing else changes";

    public static string UnknownCurrentOfTheIts(string name) =>
        $"unknown current of the {name}: its rail is not checked";

    public static string UnknownOutputLimitOfThe(string name) => $"unknown output limit of the {name}";

    public static string UnknownLimitsOn(string list) => $"unknown limits on {list}";

    public static string NoSupplyPad => "no supply pad";

    public static string FromThe(string name) => $"from the {name}";

    public static string AtVMoreAtLess(string amperes, double at) => $"{amperes} at {at:0.0#} V, more at less";

    public static string CurrentUnknown => "current unknown";

    public static string TypicalPeakUnknown(string amperes) => $"{amperes} typical, peak unknown";

    public static string InputVoltage => "input voltage";
    public static string SupplyOutput => "supply output";

    public static string WhileTheseApply(string list) => $" while these apply: {list}";

    public static string CannotAllBeWhichOf(string names, string verb, string held) =>
        $"{names} cannot all be {verb}{held}. Which of these must give way is not worked out.";

    public static string CannotBeConnectedTheDraws(string brief, string aloneAt) =>
        $"{brief} cannot be connected: the {aloneAt} draws more than any supply that suits it delivers.";

    public static string CannotBeConnectedOnThis(string names) =>
        $"{names} cannot be connected on this board with your house rules, firmware and parts; no other link is in the way.";

    public static string CannotBeConnectedRemoveThat(string names, string held) =>
        $"{names} cannot be connected{held}. Remove that and it fits.";

    public static string CannotBeConnectedRemoveAny(string names, string held) =>
        $"{names} cannot be connected{held}. Remove any one of these and it fits.";

    public static string CannotBothBeDropOne(string names, string verb) =>
        $"{names} cannot both be {verb}. Drop one and the other fits.";

    public static string CannotAllBeDropAny(string names, string verb, string held) =>
        $"{names} cannot all be {verb}{held}. Drop any one of these and the rest fits.";

    public static string ALeadOfThe(string name) => $"a lead of the {name}";

    public static string NoRouteLeadsThere => "no route leads there.";
    public static string YouAlsoBlockedItThere => "you also blocked it there.";
    public static string AnotherOfYourPinsOccupies => "another of your pins occupies what it needs.";
    public static string ThePlugDoesNotFit => "the plug does not fit there.";
    public static string ThatOutputCannotPowerIt => "that output cannot power it.";
    public static string ThatPadCannotPowerIt => "that pad cannot power it.";

    public static string StaysOn(string link, string place) => $"{link} stays on {place}";

    public static string IsDirectSoldered(string name) => $"{name} is direct-soldered";

    public static string ThePlugStaysIn(string name, string place) => $"The {name} plug stays in {place}";

    public static string IsPoweredFrom(string name, string place) => $"{name} is powered from {place}";

    public static string IsDePinned(string place) => $"{place} is de-pinned";

    public static string NotDirectSoldered(string name) => $"{name} not direct-soldered";

    public static string ThePlugNotIn(string name, string place) => $"The {name} plug not in {place}";

    public static string NotPoweredFrom(string name, string place) => $"{name} not powered from {place}";

    public static string StaysInItsPlug(string place) => $"{place} stays in its plug";

    public static string NoSocket => "no socket";

    public static string OfThe(string label, string name) => $"{label} of the {name}";

    public static string AnyPort => "any port";
}
