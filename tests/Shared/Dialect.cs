namespace Gorvix.Shared;

/// <summary>How the product once spoke, by what gave it away: patterns that no sentence may have.</summary>
internal static class Dialect
{
    /// <summary>The patterns; letters of both cases are meant.</summary>
    public static readonly string[] Traces =
    [
        @"\bsuch\b(?! as)",
        @"\botherwise\b",
        @"\bby itself\b|\bas it comes\b|\bof its own\b|\bas a rule\b|\bat the most\b|\bonce more\b",
        @"\b(told|tells?|stands?|wish(ed|es)?|carried|carries)\b",
        @"\bhangs? on\b|\bburns?\b|\bstarv|\bfed\b|\bfeeds\b",
        @"\bleaflet|\bcavit|\bprintout|\bevening|\bloader\b|\bdoubtful\b|\bexchange",
        @"\bon the shelf\b|\bcraft\b",
        @"\bpicture text\b|\bspeed controller|\bserial in code\b|\bwhole port|\bselector\b",
    ];
}
