using System.Text.Json.Nodes;

namespace Gorvix.Core.Files.Formats;

/// <summary>What the floor Formats says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string ItMustBe1To(int mostLevel) => $"it must be 1 to {mostLevel}.";

    public static string ItMustBe0To(int mostSeed) => $"it must be 0 to {mostSeed}.";

    public static string NoMoreThanCardsAllowed(int mostCards) => $"no more than {mostCards} cards allowed.";

    public static string EachCardIdMustHave(int mostCardId) => $"each card id must have 1 to {mostCardId} characters.";

    public static string ItMustHaveNoMore => "it must have no more than 64 characters.";

    public static string MembersOfEnd(string list, string tables) =>
        $"<!-- members of {list} -->\n\n{tables}\n<!-- end -->";

    public static string ListOf(string many, string which) => $"list of {many}{which}";

    public static string SeeBelow => "see below";
    public static string WholeNumbers => "whole numbers";
    public static string TrueOrFalse => "`true` or `false`";

    public static string WholeNumber(string range) => $"whole number{range}";

    public static string TextOfUpToCharacters(JsonNode most) => $"text of up to {most} characters";

    public static string AnElementOfAPath =>
        "an element of a path needs a \"kind\" (inverter, contact, resistor, divider or diode).";
    public static string APinOrABlock => "a pin or a block needs a \"kind\" (route, seat, feed or lead).";

    public static string MoreThanMb(int mostBytes) => $"more than {mostBytes} MB";

    public static string TheStart => "the start";
    public static string ItIsAZipImport =>
        "it is a zip. Import a build record (.zip) under Builds; unpack any other zip.";
    public static string ItIsGzipCompressedUnpack => "it is gzip-compressed. Unpack it first.";
    public static string ItIsUtf16Text => "it is UTF-16 text. Save it as UTF-8.";
    public static string NullIsNotAllowedRemove => "null is not allowed. Remove members that have no value.";
    public static string TheFileIsNotAn => "the file is not an object. It must begin with { \"format\": \"gorvix\" …";

    public static string ItMustBeFormatIs(string formatName) =>
        $"it must be \"format\": \"{formatName}\". Is this a file from another program?";

    public static string ItMustBeAWhole => "it must be a whole number, 1 or more.";

    public static string TheLimitIsPerFile(int mostDrills) => $"the limit is {mostDrills} per file.";

    public static string DrillsBelongToOneBuild => "drills belong to one build: keep exactly one build in the file.";

    public static string RequiredMembersMissing(string after) => $"required members missing: {after}";

    public static string IsNotKnownHereCheck(string quoted) =>
        $"{quoted} is not known here. Check the spelling in docs/format.md.";

    public static string ConvertedTo => "converted to ";

    public static string IsNotAKnownKind(string quoted) =>
        $"{quoted} is not a known kind here. See docs/format.md for the known kinds.";

    public static string AppearsTwice(string quoted) => $"{quoted} appears twice.";

    public static string TheContentDoesNotMatch => "the content does not match the format. See docs/format.md.";

    public static string ItIsNotValidJson(string trimEnd) => $"it is not valid JSON ({trimEnd}).";

    public static string AListIsNeeded => "a list [ … ] is needed.";

    public static string AKnownWordIsNeeded(string other) => $"a known word is needed: {other}.";

    public static string AKnownWordIsNeededSee => "a known word is needed. See docs/format.md.";
    public static string TextInQuotesIsNeeded => "text in quotes is needed.";
    public static string TrueOrFalseIsNeeded => "true or false is needed.";
    public static string AWholeNumberIsNeeded => "a whole number is needed.";
    public static string ANumberIsNeeded => "a number is needed.";
    public static string AnObjectIsNeeded => "an object { … } is needed.";
    public static string TheValueHasTheWrong => "the value has the wrong type. See docs/format.md.";

    public static string PhotoOfNoBoard => "the photo is of a board that is not in this file.";
    public static string PhotoSide => "the side is \"top\" or \"bottom\".";
    public static string PhotoTwice => "there is another photo of this side of the board.";

    public static string PhotoNoPicture(int most) => $"the picture is not base64, or longer than {most} MB of text.";
}
