using System.Xml.Linq;

namespace Gorvix.Core.Files.Formats;

/// <summary>What the members of the documents mean: the compiler's documentation of the core, one file for each storey.</summary>
public sealed class MemberDocs
{
    private readonly Dictionary<string, string> _words = [];

    private MemberDocs() { }

    /// <summary>Reads the documentation.</summary>
    /// <param name="files">Documentation as the compiler writes it (XML).</param>
    /// <exception cref="System.Xml.XmlException">One of them is no XML.</exception>
    public static MemberDocs Read(IEnumerable<TextReader> files)
    {
        var docs = new MemberDocs();
        foreach (var member in files.SelectMany(f => XDocument.Load(f).Descendants("member")))
        {
            docs._words[(string)member.Attribute("name")!] = Words(member);
        }
        return docs;
    }

    /// <summary>What a property means; null where nobody says.</summary>
    /// <param name="type">Full name of its type.</param>
    /// <param name="name">Its name.</param>
    internal string? Of(string? type, string name) => _words.GetValueOrDefault($"P:{type}.{name}");

    private static string Words(XElement member) =>
        string.Join(
            ' ',
            string.Concat(member.Element("summary")?.DescendantNodes().Select(Text) ?? [])
                .Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
        );

    private static string Text(XNode node) =>
        node switch
        {
            XText text => text.Value,
            XElement { Name.LocalName: "see" } see => ((string?)see.Attribute("cref"))?.Split('.')[^1] ?? "",
            _ => "",
        };
}
