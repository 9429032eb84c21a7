namespace Gorvix.Core.Work.Papers;

/// <summary>What the floor Papers says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string WiringPicture => "Wiring picture";
    public static string ConnectsTo => "Connects to";
    public static string NotConnected => "not connected";
    public static string UnusedLeads => "Unused leads";
    public static string SetTo => "Set to";
    public static string WhenWho => "When, who";
    public static string NeedsReCheck => "needs re-check";

    public static string OlderPhotosAreInThe(int leftOut) => $"{leftOut} older photos are in the record (.zip).";

    public static string BenchSheet(string name) => $"{name}: bench sheet";

    public static string CreatedWorkInThisOrder(DateOnly today) =>
        $"Created {today:yyyy-MM-dd}. Work in this order; after a failed check, fix the fault before applying power.";

    public static string CheckContinuity => "check continuity";
    public static string BeforePowerNothingConnected => "Before power: nothing connected";
    public static string FirstPowerUp => "First power-up";
    public static string UsbPowerOnly => "USB power only";
    public static string EachLinkAlone => "Each link alone";
    public static string AllLinksTogether => "All links together";
    public static string LinkLoss => "Link loss";
    public static string SuppliesAndGroundsNotListed => "\nSupplies and grounds not listed.";

    public static string WiringCard(string name) => $"{name}: wiring card";

    public static string WiringOnThe(string name, string name2) => $"{name}: wiring on the {name2}";

    public static string TopSide => "Top side";
    public static string BottomSideBoardFlipped => "Bottom side, board flipped";

    public static string OfThe(string label, string which, string name) => $"{label}{which} of the {name}";

    public static string StepsInOrder => "Steps, in order";

    public static string LeadOfTheDevice(string label, string which, string name) => $"{label}{which} of the {name}";

    public static string LeadIsTreated(string label, string name, string treatment) =>
        $"{label} of the {name}: {treatment}";

    public static string AsSupplied => "As supplied";
    public static string AsPlanned => "as planned";
    public static string PlugPin => "Plug pin";
    public static string BeforeFirstPowerUp => "## Before first power-up";
    public static string CutList => "Cut list";

    public static string AwgMmInTotal(int gauge, string plain, int pieces, double millimetres) =>
        $"AWG {gauge}, {plain}: {pieces}, {millimetres:0} mm in total";

    public static string WidthDeviceWidthInitialScale => "width=device-width, initial-scale=1";

    public static string DoctypeHtml(string disableFormatting) => $"<!DOCTYPE html>\n{disableFormatting}\n";

    public static string AndMoreSeeTheList => "\n… and more: see the wire list.";
    public static string AnyColour => "any colour";
}
