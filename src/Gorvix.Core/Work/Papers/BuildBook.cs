using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Log;

namespace Gorvix.Core.Work.Papers;

/// <summary>A photo for a page.</summary>
/// <param name="Words">What there is to say of it.</param>
/// <param name="Jpeg">The picture.</param>
public sealed record BookPhoto(string Words, byte[] Jpeg);

/// <summary>What was kept of a build, for its book.</summary>
/// <param name="Readings">The last reading of each check.</param>
/// <param name="Standings">How each check stands.</param>
/// <param name="Notes">The notes, the oldest first.</param>
/// <param name="Photos">The photos, the newest first.</param>
/// <param name="LeftOut">How many older ones are left out.</param>
public sealed record BookRecord(
    IReadOnlyList<LoggedReading> Readings,
    IReadOnlyList<CheckStanding> Standings,
    IReadOnlyList<LoggedNote> Notes,
    IReadOnlyList<BookPhoto> Photos,
    int LeftOut
);

/// <summary>A build on paper: its book with everything, the same without its record to give away, and the bench sheet to fill by hand.</summary>
public static class BuildBook
{
    /// <summary>The book, or the file to share where no record is given.</summary>
    /// <param name="reader">The build as it was planned.</param>
    /// <param name="today">The day.</param>
    /// <param name="record">What was kept of it; null to leave that out.</param>
    /// <param name="nonce">What lets the style in where the page is served; null for a file.</param>
    public static string Write(FitReader reader, DateOnly today, BookRecord? record, string? nonce = null)
    {
        var wired = reader.Wired;
        var (build, board) = (wired.Build.Build, wired.Build.Board);
        var (loom, settings) = (LoomReader.Of(wired), SettingsReader.Of(wired, today));
        var page = new Page(build.Name, nonce);
        page.Add("p", $"{board.Maker} {board.Name}, revision {board.Revision}. Created {today:yyyy-MM-dd}.", "quiet");
        if (build.Note is { } note)
        {
            page.Add("p", note);
        }
        page.Add("p", reader.Verdict().Sentence);
        foreach (var caution in Cautions.Of(wired, loom))
        {
            page.Add("p", caution, "mind");
        }
        page.Add("h2", "Links");
        page.Table(
            ["Link", "Priority", Sentences.ConnectsTo, "Mode"],
            reader.Plan.Placements.Select(p =>
                (IReadOnlyList<string>)
                    [
                        PlainWords.Of(p.Link),
                        PlainWords.Of(p.Link.Want.Priority),
                        p.Route?.Port.Name ?? Sentences.NotConnected,
                        p.Route?.Mode.Name ?? "",
                    ]
            )
        );
        page.Add("h2", "Devices");
        page.Table(
            ["Device", "Part", "Batch"],
            build.Devices.Select(d =>
                (IReadOnlyList<string>)
                    [
                        wired.Build.Devices.First(x => x.Id == d.Id).Device.Name,
                        $"{wired.Build.Devices.First(x => x.Id == d.Id).Device.Maker}, {d.Part}",
                        d.Batch ?? "",
                    ]
            )
        );
        page.Add("h2", Sentences.WiringPicture);
        page.Draw(PictureDrawing.Draw(build.Name, board, reader.Picture(loom)));
        page.Add("h2", "Wires");
        page.Table(
            ["Device", "Lead", "Colour", Sentences.ConnectsTo, "For"],
            loom.Wires.Select(w => (IReadOnlyList<string>)[w.Name, w.Label, w.Colour ?? "", w.At, w.Job])
        );
        page.Table(
            [Sentences.UnusedLeads, "Lead", "Treatment"],
            loom.Spare.Select(s => (IReadOnlyList<string>)[s.Name, s.Label, s.Treatment])
        );
        page.Table(
            ["Jumper", Sentences.SetTo],
            wired.Bridges.Select(b => (IReadOnlyList<string>)[b.Bridge.Id, string.Join(", ", b.Positions)])
        );
        page.Add("h2", "Settings");
        page.Table(
            ["Setting", "Value", ""],
            settings.Settings.Select(s => (IReadOnlyList<string>)[s.Words, s.Value, PlaceOf(s.Place)])
        );
        if (record is not null)
        {
            Record(page, wired, settings, record);
        }
        return page.ToString();
    }

    private static string PlaceOf(SettingPlace place) =>
        place switch
        {
            SettingPlace.Device => "device",
            SettingPlace.Radio => "radio",
            _ => "board",
        };

    private static void Record(Page page, WiredBuild wired, SettingsSheet settings, BookRecord record)
    {
        var states = record.Standings.ToDictionary(s => s.Check, s => s.State);
        var order = BenchReader
            .Of(wired, settings, null)
            .Checks.Select((c, i) => (c.Id, i))
            .ToDictionary(c => c.Id, c => c.i);
        if (record.Readings.Count > 0)
        {
            page.Add("h2", "Readings");
        }
        page.Table(
            ["Check", "Expected", "Reading", "Result", Sentences.WhenWho],
            record
                .Readings.OrderBy(r => order.GetValueOrDefault(r.Check, int.MaxValue))
                .Select(r =>
                    (IReadOnlyList<string>)
                        [
                            r.Title,
                            r.Expected,
                            r.Read(),
                            states.GetValueOrDefault(r.Check) == CheckState.DueAgain
                                ? Sentences.NeedsReCheck
                                : BenchWords.Of(r.Mark),
                            $"{r.At:yyyy-MM-dd}{(r.Who.Length > 0 ? $", {r.Who}" : "")}",
                        ]
                )
        );
        if (record.Notes.Count > 0)
        {
            page.Add("h2", "Notes");
        }
        page.Table(
            ["When", "Who", "What"],
            record.Notes.Select(n => (IReadOnlyList<string>)[$"{n.At:yyyy-MM-dd}", n.Who, n.Told()])
        );
        if (record.Photos.Count > 0)
        {
            page.Add("h2", "Photos");
            page.Photos(record.Photos.Select(p => (p.Words, p.Jpeg)));
            if (record.LeftOut > 0)
            {
                page.Add("p", Sentences.OlderPhotosAreInThe(record.LeftOut), "quiet");
            }
        }
    }

    /// <summary>The bench sheet: every check with room for what is read.</summary>
    /// <param name="name">What the builder calls the build.</param>
    /// <param name="sheet">The checks.</param>
    /// <param name="today">The day.</param>
    /// <param name="nonce">What lets the style in where the page is served; null for a file.</param>
    public static string Sheet(string name, BenchSheet sheet, DateOnly today, string? nonce = null)
    {
        var page = new Page(Sentences.BenchSheet(name), nonce);
        page.Add("p", Sentences.CreatedWorkInThisOrder(today), "quiet");
        var number = 0;
        foreach (var phase in sheet.Checks.GroupBy(c => c.Phase))
        {
            page.Add("h2", Name(phase.Key));
            foreach (var mind in phase.SelectMany(c => c.Mind).Distinct())
            {
                page.Add("p", mind, "mind");
            }
            page.Table(
                ["", "Check", "Action", "Expected", "Result"],
                phase.Select(c => (IReadOnlyList<string>)[$"{++number}", c.Title, Doing(c), c.Expected, Page.Blank])
            );
        }
        return page.ToString();
    }

    // What to do with nothing plugged in stands in the heading.
    private static string Doing(BenchCheck check) =>
        check.Phase == BenchPhase.Cold && check.Asks == Asks.Beep ? Sentences.CheckContinuity : check.Do;

    /// <summary>A phase, as it is called.</summary>
    public static string Name(BenchPhase phase) =>
        phase switch
        {
            BenchPhase.Cold => Sentences.BeforePowerNothingConnected,
            BenchPhase.FirstPower => Sentences.FirstPowerUp,
            BenchPhase.Volts => "Voltages",
            BenchPhase.Usb => Sentences.UsbPowerOnly,
            BenchPhase.Settings => "Settings",
            BenchPhase.Links => Sentences.EachLinkAlone,
            BenchPhase.Together => Sentences.AllLinksTogether,
            _ => Sentences.LinkLoss,
        };
}
