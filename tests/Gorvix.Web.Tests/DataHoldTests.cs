using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace Gorvix.Web.Tests;

/// <summary>The data file is there complete or not at all, is brought up on a copy, and what is not ours is left as it is.</summary>
public class DataHoldTests
{
    private static DataFolder NewFolder() => new(Directory.CreateTempSubdirectory("gorvix-").FullName);

    private static async Task Opened(DataFolder folder, Func<DataFolder, Task>? fill = null)
    {
        using var hold = new DataHold();
        await hold.Open(folder, fill);
    }

    private static async Task<string> Refused(DataFolder folder)
    {
        var problem = await Assert.ThrowsAsync<DataFolderException>(() => Opened(folder));
        Assert.DoesNotContain('\n', problem.Message);
        return problem.Message;
    }

    private static async Task<long> Count(DataFolder folder, string sql)
    {
        await using var connection = new SqliteConnection(folder.ConnectionString + ";Pooling=False");
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
        command.CommandText = sql;
        return Convert.ToInt64(await command.ExecuteScalarAsync(), System.Globalization.CultureInfo.InvariantCulture);
    }

    // A file as an older Gorvix has left it.
    private static async Task Older(DataFolder folder)
    {
        await using (var db = folder.Connect())
        {
            await db.GetService<IMigrator>().MigrateAsync("20261126204433_Log");
            await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL");
            await db.Database.ExecuteSqlRawAsync(
                "INSERT INTO Parts (Kind, Id, Document, Format, Version) VALUES ('Board', 'x', '{{}}', 2, 1)"
            );
        }
        folder.LetGo();
    }

    [Fact]
    public async Task Steps_and_moments_of_before_become_states_and_nothing_of_them_is_lost()
    {
        var folder = NewFolder();
        await using (var db = folder.Connect())
        {
            await db.GetService<IMigrator>().MigrateAsync("20261130220150_StruckReadings");
            static string Doc(string name) => $$$"""'{{"name":"{{{name}}}","board":"x","devices":[],"links":[]}}'""";
            // Changed twice, taken back once: one to undo, one to redo. Its version 3 is in format 3.
            await Sql(
                "INSERT INTO Builds (Id, Version, Cursor, ChangedAt) VALUES ('walked', 4, 1, '2026-11-30 10:00:00')"
            );
            await Sql(
                $"INSERT INTO Steps (BuildId, Number, Words, Document, Format) VALUES ('walked', 0, 'import', {Doc("a")}, 4), ('walked', 1, 'Pin', {Doc("b")}, 4), ('walked', 2, 'Block', {Doc("c")}, 3)"
            );
            await Sql(
                $"INSERT INTO Moments (BuildId, Version, At, Who, Words, Document, Format) VALUES ('walked', 1, '2026-11-28 10:00:00', 'Ada', 'import', {Doc("a")}, 4), ('walked', 2, '2026-11-29 10:00:00', '', 'Pin', {Doc("b")}, 4), ('walked', 3, '2026-11-29 11:00:00', '', 'Block', {Doc("c")}, 3), ('walked', 4, '2026-11-30 10:00:00', 'Ben', 'Undo: Block', {Doc("b")}, 4)"
            );
            // From before there were moments.
            await Sql(
                "INSERT INTO Builds (Id, Version, Cursor, ChangedAt) VALUES ('old', 7, 3, '2026-11-20 10:00:00')"
            );
            await Sql(
                $"INSERT INTO Steps (BuildId, Number, Words, Document, Format) VALUES ('old', 2, 'Pin', {Doc("d")}, 1), ('old', 3, 'Swap board', {Doc("e")}, 1)"
            );

            Task<int> Sql(string text) => db.Database.ExecuteSqlRawAsync(text);
        }
        folder.LetGo();
        await Opened(folder);
        await using (var db = folder.Connect())
        {
            var states = await db.States.AsNoTracking().OrderBy(s => s.BuildId).ThenBy(s => s.Version).ToListAsync();
            static string Line(StateRow s) =>
                $"{s.BuildId} {s.Version} {s.At:MM-dd HH} {s.Who} {s.Words} {s.Document[9]} {s.Format} {s.Place?.ToString() ?? "-"} {s.Step ?? "-"}";
            Assert.Equal(
                [
                    "old -3 11-20 10  Pin d 1 2 Pin",
                    "old 7 11-20 10  Swap board e 1 3 Swap board",
                    "walked -3 11-30 10  Block c 3 2 Block",
                    "walked -1 11-30 10  import a 4 0 import",
                    "walked 1 11-28 10 Ada import a 4 - -",
                    "walked 2 11-29 10  Pin b 4 - -",
                    "walked 3 11-29 11  Block c 3 - -",
                    "walked 4 11-30 10 Ben Undo: Block b 4 1 Pin",
                ],
                states.Select(Line)
            );
            var store = new BuildStore(db, new PartStore(db, new PartCache()), TimeProvider.System, new Author());
            var walked = await store.Get("walked");
            Assert.Equal((4, "b", "Pin", "Block"), (walked.Version, walked.Build.Name, walked.Undo, walked.Redo));
            Assert.Equal("c", (await store.Beside("walked", 4, 1))!.Name);

            // Forward, and twice back: each is a version of its own, the row stays three long, and the log tells no more than what happened.
            walked = await store.Walk("walked", 4, 1);
            Assert.Equal((5, "c", "Block", null), (walked.Version, walked.Build.Name, walked.Undo, walked.Redo));
            await store.Walk("walked", 5, -1);
            walked = await store.Walk("walked", 6, -1);
            Assert.Equal((7, "a", null, "Pin"), (walked.Version, walked.Build.Name, walked.Undo, walked.Redo));
            Assert.Equal(
                [0, 1, 2],
                await db
                    .States.Where(s => s.BuildId == "walked" && s.Place != null)
                    .Select(s => s.Place!.Value)
                    .Order()
                    .ToListAsync()
            );
            Assert.Equal(
                ["import", "Pin", "Block", "Undo: Block", "Redo: Block", "Undo: Block", "Undo: Pin"],
                (await new LogPages(db).Moments("walked")).Select(m => m.Words)
            );

            // A change starts a new branch: what was undone stays in the log only.
            walked = await store.Put("walked", 7, "Block", walked.Build with { Name = "f" });
            Assert.Equal((8, "Block", null), (walked.Version, walked.Undo, walked.Redo));
            Assert.Equal("a", (await store.Beside("walked", 8, -1))!.Name);
            Assert.Null(await store.Beside("walked", 8, 1));
            Assert.Equal(8, (await new LogPages(db).Moments("walked")).Count);
            Assert.Equal("c", (await new LogPages(db).Moment("walked", 5)).Build.Name);
        }
    }

    [Fact]
    public async Task A_first_start_that_was_cut_off_leaves_nothing_and_the_next_one_makes_all_of_it()
    {
        var folder = NewFolder();
        await Assert.ThrowsAsync<TimeZoneNotFoundException>(() =>
            Opened(
                folder,
                async making =>
                {
                    await using var db = making.Connect();
                    await db.Database.ExecuteSqlRawAsync("CREATE TABLE half (x)");
                    throw new TimeZoneNotFoundException();
                }
            )
        );
        Assert.False(File.Exists(folder.File));
        await Opened(
            folder,
            async making =>
            {
                await using var db = making.Connect();
                await db.Database.ExecuteSqlRawAsync("CREATE TABLE whole (x)");
            }
        );
        Assert.Equal(1, await Count(folder, "SELECT count(*) FROM sqlite_master WHERE name = 'whole'"));
        Assert.Equal(0, await Count(folder, "SELECT count(*) FROM sqlite_master WHERE name = 'half'"));
        Assert.False(File.Exists((folder with { Name = DataFolder.MakingName }).File));
    }

    [Fact]
    public async Task An_empty_file_is_no_data_and_the_demo_comes()
    {
        var folder = NewFolder();
        await File.WriteAllBytesAsync(folder.File, []);
        await using var server = await LiveServer.Start(folder.Path);
        Assert.Equal(LiveServer.DemoBuilds, await server.Count());
    }

    [Fact]
    public async Task A_form_is_changed_on_a_copy_the_old_file_is_kept_and_a_lock_that_a_dead_start_left_holds_nobody_up()
    {
        var folder = NewFolder();
        await Older(folder);
        await using (var db = folder.Connect())
        {
            await db.Database.ExecuteSqlRawAsync(
                "CREATE TABLE IF NOT EXISTS __EFMigrationsLock (Id INTEGER NOT NULL PRIMARY KEY, Timestamp TEXT NOT NULL)"
            );
            await db.Database.ExecuteSqlRawAsync("INSERT INTO __EFMigrationsLock VALUES (1, '2026-11-27')");
        }
        folder.LetGo();
        await Opened(folder);
        Assert.Equal(1, await Count(folder, "SELECT count(*) FROM Parts WHERE Id = 'x'"));
        Assert.Equal(0, await Count(folder, "SELECT count(*) FROM Drills"));
        var kept = folder with { Name = "gorvix-before-20261126204433.db" };
        Assert.Equal(1, await Count(kept, "SELECT count(*) FROM Parts WHERE Id = 'x'"));
        Assert.Equal(0, await Count(kept, "SELECT count(*) FROM sqlite_master WHERE name = 'Drills'"));
    }

    [Fact]
    public async Task A_change_of_form_that_fails_leaves_the_old_file()
    {
        var folder = NewFolder();
        await Older(folder);
        await using (var db = folder.Connect())
        {
            // What the next form would make is there already, and is something else.
            await db.Database.ExecuteSqlRawAsync("CREATE TABLE FaultCases (x)");
        }
        folder.LetGo();
        await Assert.ThrowsAnyAsync<Exception>(() => Opened(folder));
        Assert.Equal(1, await Count(folder, "SELECT count(*) FROM Parts WHERE Id = 'x'"));
        Assert.Equal(
            0,
            await Count(folder, "SELECT count(*) FROM __EFMigrationsHistory WHERE MigrationId LIKE '%Faults'")
        );
    }

    [Fact]
    public async Task Another_programs_file_is_refused_and_not_a_byte_of_it_is_changed()
    {
        var folder = NewFolder();
        await using (var connection = new SqliteConnection(folder.ConnectionString + ";Pooling=False"))
        {
            await connection.OpenAsync();
            await using var command = connection.CreateCommand();
            command.CommandText = "CREATE TABLE theirs (x); INSERT INTO theirs VALUES (1)";
            await command.ExecuteNonQueryAsync();
        }
        var before = await File.ReadAllBytesAsync(folder.File);
        Assert.Contains("is not a Gorvix data file: it belongs to another program.", await Refused(folder));
        Assert.Equal(before, await File.ReadAllBytesAsync(folder.File));
        Assert.Equal(
            ["gorvix.db", "gorvix.lock", "gorvix.lock.process"],
            Directory.GetFiles(folder.Path).Select(Path.GetFileName).Order()
        );
    }

    [Fact]
    public async Task Two_programs_do_not_share_a_folder_and_the_second_is_told_by_whom_it_is_held()
    {
        var folder = NewFolder();
        using var first = new DataHold();
        await first.Open(folder);
        Assert.Equal(
            $"Another Gorvix (process {Environment.ProcessId}) is using the data in {folder.Path}. Use that one, stop it, or choose another folder with --data DIR.",
            await Refused(folder)
        );
        first.Dispose();
        await Opened(folder);
    }

    [Fact]
    public async Task A_damaged_file_is_told_and_left_as_it_is()
    {
        var folder = NewFolder();
        await Opened(folder);
        folder.LetGo();
        await using (var file = new FileStream(folder.File, FileMode.Open, FileAccess.Write))
        {
            file.Position = 3 * 4096;
            file.Write(new byte[4 * 4096]);
        }
        var before = await File.ReadAllBytesAsync(folder.File);
        var said = await Refused(folder);
        Assert.Contains("damaged", said);
        Assert.Contains("--restore FILE", said);
        Assert.Equal(before, await File.ReadAllBytesAsync(folder.File));
        Assert.NotEqual("ok", (await DataCare.Check(folder)).Said);
    }

    [Fact]
    public async Task A_back_up_is_made_while_gorvix_works_and_put_in_place_again()
    {
        await using var server = await LiveServer.Start();
        var folder = new DataFolder(server.Data);
        var to = Path.Combine(NewFolder().Path, "copy.db");
        await DataCare.BackUp(folder, to);
        Assert.Contains(
            "already exists",
            (await Assert.ThrowsAsync<DataFolderException>(() => DataCare.BackUp(folder, to))).Message
        );
        await server.Post("/api/builds/north-face-hare/remove", "");
        Assert.Contains(
            "is using the data in",
            (await Assert.ThrowsAsync<DataFolderException>(() => DataCare.Restore(folder, to))).Message
        );
        await server.DisposeAsync();
        var kept = await DataCare.Restore(folder, to);
        await using var again = await LiveServer.Start(folder.Path);
        Assert.Equal(LiveServer.DemoBuilds, await again.Count());
        Assert.True(File.Exists(kept));
        var report = await DataCare.Check(folder);
        Assert.Equal(("ok", LiveServer.DemoBuilds), (report.Said, (int)report.Builds));
        var about = await again.Get("/api/about");
        Assert.Equal(to, about.GetProperty("backUpTo").GetString());
        Assert.Equal("ok", about.GetProperty("check").GetString());
        Assert.StartsWith("gorvix-before-restore-", about.GetProperty("kept")[0].GetString());
    }

    [Theory]
    [InlineData("--check")]
    [InlineData("--back-up", "/tmp/x.db")]
    [InlineData("--restore", "/tmp/x.db")]
    public void Care_is_an_option_of_the_start(params string[] args)
    {
        var options = StartOptions.Parse(args, "/root");
        Assert.Equal(
            (
                args[0] switch
                {
                    "--check" => Care.Check,
                    "--back-up" => Care.BackUp,
                    _ => Care.Restore,
                },
                args.ElementAtOrDefault(1) ?? ""
            ),
            (options.Care, options.BackUp)
        );
    }

    [Fact]
    public async Task What_is_no_back_up_is_not_put_in_place()
    {
        var folder = NewFolder();
        await Opened(folder);
        var other = Path.Combine(folder.Path, "other.db");
        await File.WriteAllTextAsync(other, "no database at all");
        await Assert.ThrowsAsync<DataFolderException>(() => DataCare.Restore(folder, other));
        Assert.Contains(
            "not found",
            (await Assert.ThrowsAsync<DataFolderException>(() => DataCare.Restore(folder, other + "x"))).Message
        );
        await Opened(folder);
    }
}
