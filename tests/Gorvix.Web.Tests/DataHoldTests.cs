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
