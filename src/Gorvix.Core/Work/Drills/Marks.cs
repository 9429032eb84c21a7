using System.Security.Cryptography;
using System.Text;

namespace Gorvix.Core.Work.Drills;

/// <summary>What was drawn, made unreadable, so that who reads a drill's file is not told.</summary>
internal static class Marks
{
    /// <summary>The mark of what was drawn.</summary>
    public static string Of(string drawn) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(drawn)))[..12];
}
