namespace Gorvix.Core.Work.Tables;

/// <summary>What the floor Tables says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string TheDeviceHasLeads(int count) => $"the device has {count} leads";

    public static string TheLimitIs(int mostLeads) => $"The limit is {mostLeads}.";

    public static string IsEmptyInTheFirst => "is empty in the first row of a new device";
    public static string EnterWhatItSaysOn => "Enter what it says on the box.";

    public static string RepeatsFromARowAbove(string id) => $"repeats \"{id}\" from a row above";

    public static string GiveEachLeadAUnique => "Give each lead a unique id.";
    public static string IsEmpty => "is empty";
    public static string EnterWhatTheLeadIs => "Enter what the lead is for.";
    public static string MinV => "min v";
    public static string MaxV => "max v";
    public static string TypicalA => "typical a";
    public static string PeakA => "peak a";

    public static string LeadHasAnIncompleteVoltage(string label) => $"lead {label} has an incomplete voltage range";

    public static string EnterBothMinVAnd => "Enter both \"min V\" and \"max V\", or leave the current out too.";
    public static string GivesV => "gives v";
    public static string UpToA => "up to a";

    public static string SaysButLeadIsAlready(int pin, string cellsAt) =>
        $"says {pin}, but lead \"{cellsAt}\" is already there";

    public static string OneLeadPerPin => "One lead per pin.";

    public static string NamesWhichIsNotIn(string key) => $"names \"{key}\", which is not in the library";

    public static string AddTheBoardFirstIts =>
        "Add the board first (its supply, class and ports), or import the list in the board editor.";

    public static string TheBoardHasPads(int count) => $"the board has {count} pads";

    public static string GiveEachPadAUnique => "Give each pad a unique id.";
    public static string LeadsTo => "leads to";

    public static string SaysButPadIsAlready(int pin, string cellsAt) =>
        $"says {pin}, but pad \"{cellsAt}\" is already there";

    public static string OnePadPerPin => "One pad per pin.";
    public static string TheList => "the list";
    public static string TheListTitle => "The list";
    public static string ItHasCharactersThatAre => "it has characters that are not UTF-8";
    public static string SaveItAgainAsCsv => "Save it again as \"CSV UTF-8\".";

    public static string TheQuotesInRowAre(int? parser) =>
        $"the quotes in row {parser} are not closed, or are inside a cell";

    public static string QuoteTheWholeCellAnd => "Quote the whole cell, and double the quotes inside it.";
    public static string ItIsEmpty => "it is empty";
    public static string TheFirstRowMustName => "The first row must name the columns.";

    public static string ItHasMoreThanRows(int mostRows) => $"it has more than {mostRows} rows";

    public static string SplitIt => "Split it.";

    public static string ACellInRowHas(int row) => $"a cell in row {row} has more than 20 000 characters";

    public static string LookForAnUnclosedQuote => "Look for an unclosed quote.";

    public static string IsNotAColumnOf(string which) => $"\"{which}\" is not a column of this list";

    public static string ItsColumns(string all) => $"Its columns: {all}.";

    public static string ColumnAppearsTwice(string key) => $"column \"{key}\" appears twice";

    public static string KeepOneOfTheTwo => "Keep one of the two.";

    public static string ColumnIsMissing(string missing) => $"column \"{missing}\" is missing";

    public static string FillItIn => "Fill it in.";
    public static string EnterANumberWithoutIts => "Enter a number without its unit: 3.5.";

    public static string EnterAWholeNumberFrom(int most) => $"Enter a whole number from 1 to {most}.";
}
