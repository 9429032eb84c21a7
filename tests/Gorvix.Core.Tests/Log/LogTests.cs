using System.Diagnostics;
using System.Globalization;
using CsCheck;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Work.Log;

namespace Gorvix.Core.Tests.Log;

/// <summary>What is due against counting day by day, and texts compared against git.</summary>
public class LogTests
{
    private static readonly DateTime Start = new(2026, 1, 1, 12, 0, 0, DateTimeKind.Utc);

    /// <summary>A plain counter that walks through the notes one after the other knows nothing of the arithmetic.</summary>
    [Fact]
    public void What_is_due_is_what_counting_from_the_last_time_says() =>
        Gen.Select(
                // Nothing below one: days, or flights, that do not count.
                Gen.Int[-10, 40],
                Gen.Int[-10, 30],
                Gen.Select(Gen.Int[0, 120], Gen.Int[0, 2], Gen.Int[1, 6]).List[0, 20],
                Gen.Int[120, 200]
            )
            .Where((everyDays, everyFlights, _, _) => everyDays > 0 || everyFlights > 0)
            .Holds(
                (everyDays, everyFlights, events, today) =>
                {
                    int? days = everyDays > 0 ? everyDays : null;
                    int? flights = everyFlights > 0 ? everyFlights : null;
                    var notes = events.ConvertAll(e =>
                        e.Item2 == 0
                            ? new LoggedNote
                            {
                                Kind = NoteKind.Done,
                                At = Start.AddDays(e.Item1),
                                Interval = "a",
                            }
                            : new LoggedNote
                            {
                                Kind = NoteKind.Flight,
                                At = Start.AddDays(e.Item1).AddHours(1),
                                Flights = e.Item3,
                            }
                    );
                    var interval = new Interval
                    {
                        Id = "a",
                        Words = "screws",
                        Days = days,
                        Flights = flights,
                    };
                    var due = Dues.Of([interval], notes, Start.AddDays(today)).Single();

                    int? since = null;
                    var flown = 0;
                    for (var day = 0; day <= today; day++)
                    {
                        since = since + 1;
                        if (events.Exists(e => e.Item1 == day && e.Item2 == 0))
                        {
                            (since, flown) = (0, 0);
                        }
                        flown += events.Where(e => e.Item1 == day && e.Item2 != 0).Sum(e => e.Item3);
                    }
                    var expected = since is null || since >= days || flown >= flights;
                    Assert.Equal(expected, due.IsDue);
                    Assert.Equal(flown, due.FlightsSince);
                    Assert.NotEmpty(due.Words);
                }
            );

    /// <summary>The stranger is git, with its smallest difference (--minimal): both must need as many lines, and ours must give the newer text.</summary>
    [Fact]
    public void Settings_texts_differ_by_as_many_lines_as_git_finds()
    {
        var texts = Demo
            .Builds.Select(b => new FitReader(Resolved(b, Demo.Library)).Wired)
            .Select(w => NeutralForm.Write(w.Build.Board, SettingsReader.Of(w, new DateOnly(2026, 11, 26))))
            .ToList();
        var random = new Random(7);
        // Kept texts as they come: two builds' sheets, and sheets with lines lost, exchanged, doubled.
        foreach (var text in texts.ToList())
        {
            var lines = text.Split('\n').ToList();
            for (var i = 0; i < 4; i++)
            {
                var at = random.Next(lines.Count - 1);
                switch (random.Next(3))
                {
                    case 0:
                        lines.RemoveAt(at);
                        break;
                    case 1:
                        lines.Insert(at, lines[at]);
                        break;
                    default:
                        (lines[at], lines[^2]) = (lines[^2], lines[at]);
                        break;
                }
            }
            texts.Add(string.Join('\n', lines));
        }
        for (var run = 0; run < 40; run++)
        {
            var (before, after) = (texts[random.Next(texts.Count)], texts[random.Next(texts.Count)]);
            var ours = LineDiff.Of(before, after);
            Assert.Equal(after.Split('\n'), ours.Where(l => l.Fate != LineFate.Gone).Select(l => l.Text));
            Assert.Equal(before.Split('\n'), ours.Where(l => l.Fate != LineFate.New).Select(l => l.Text));
            Assert.Equal(
                Git(before, after),
                (ours.Count(l => l.Fate == LineFate.New), ours.Count(l => l.Fate == LineFate.Gone))
            );
        }
    }

    private static (int Added, int Gone) Git(string before, string after)
    {
        var folder = Directory.CreateTempSubdirectory("gorvix-").FullName;
        try
        {
            File.WriteAllText(Path.Combine(folder, "a"), before);
            File.WriteAllText(Path.Combine(folder, "b"), after);
            using var git = Process.Start(
                new ProcessStartInfo("git", ["diff", "--no-index", "--minimal", "--numstat", "a", "b"])
                {
                    WorkingDirectory = folder,
                    RedirectStandardOutput = true,
                }
            )!;
            var line = git.StandardOutput.ReadToEnd();
            git.WaitForExit();
            var numbers = line.Split('\t');
            return line.Length == 0
                ? (0, 0)
                : (
                    int.Parse(numbers[0], CultureInfo.InvariantCulture),
                    int.Parse(numbers[1], CultureInfo.InvariantCulture)
                );
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }
}
