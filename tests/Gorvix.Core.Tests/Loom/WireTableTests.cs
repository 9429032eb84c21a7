using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Work.Tables;
using Microsoft.VisualBasic.FileIO;

namespace Gorvix.Core.Tests.Loom;

/// <summary>The wire list as a file, read back by a reader that is not ours (the framework's TextFieldParser).</summary>
public class WireTableTests
{
    public static TheoryData<string> Names => [.. Demo.Builds.Select(b => b.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public void Every_lead_is_a_row_and_says_what_the_sheet_says(string name)
    {
        var sheet = LoomReader.Of(new FitReader(Resolved(Demo.Builds.First(b => b.Name == name), Demo.Library)).Wired);
        using var reader = new TextFieldParser(new StringReader(WireTable.Write(sheet)));
        reader.SetDelimiters(",");
        Assert.Equal(WireTable.Columns, reader.ReadFields());
        foreach (var wire in sheet.Wires)
        {
            var row = reader.ReadFields()!;
            Assert.Equal([wire.Name, wire.Label, wire.Colour ?? "", wire.At], row[..4]);
            Assert.Equal((wire.Job, wire.IsJoint ? $"{wire.Gauge}" : ""), (row[5], row[7]));
        }
        foreach (var spare in sheet.Spare)
        {
            Assert.Equal(
                [spare.Name, spare.Label, spare.Colour ?? "", spare.Treatment],
                reader.ReadFields()![..4].Select(f => f.TrimStart('\''))
            );
        }
        Assert.True(reader.EndOfData);
    }
}
