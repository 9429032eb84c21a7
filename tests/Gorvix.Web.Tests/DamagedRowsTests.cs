using System.Text.Json;
using Gorvix.Storage;
using Microsoft.Data.Sqlite;
using static Gorvix.Web.Tests.LogSteps;

namespace Gorvix.Web.Tests;

/// <summary>What is damaged in the stored data of one build is told there, and nowhere else: no other build, not the shelf, not the fleet.</summary>
public class DamagedRowsTests
{
    private static readonly bool IsLong = Environment.GetEnvironmentVariable("GORVIX_LONG") is not null;

    // What a hand, a disk or another program leaves in a column; the latter in the long run.
    private static readonly string[] Damages =
    [
        "'{'",
        "99999999999",
        "'9999-12-31 23:59:59.9999999'",
        .. IsLong ? ["'nonsense'", "'null'", "-1", "x'00ff'", "1e308", "''"] : Array.Empty<string>(),
    ];

    private static readonly string[] Own =
    [
        "fit",
        "card",
        "rails",
        "loom",
        "settings",
        "bench",
        "faults",
        "log",
        "craft",
        "log.json",
        "record.zip",
        "book.html",
        "export",
    ];

    [Fact]
    public async Task Damage_in_one_build_stays_there_whichever_value_it_is()
    {
        await using var server = await LiveServer.Start();
        await Fill(server);
        await server.Shelf();
        using var connection = new SqliteConnection(new DataFolder(server.Data).ConnectionString);
        connection.Open();
        var (met, wrong) = (0, new List<string>());
        foreach (var (table, column, row) in Values(connection))
        {
            foreach (var damage in Damages)
            {
                var where = $"rowid = {row}";
                var was = Scalar(connection, $"SELECT quote(\"{column}\") FROM \"{table}\" WHERE {where}");
                if (!Try(connection, $"UPDATE \"{table}\" SET \"{column}\" = {damage} WHERE {where}"))
                {
                    continue;
                }
                met++;
                wrong.AddRange((await Look(server, table, column)).Select(w => $"{table}.{column} = {damage}: {w}"));
                Assert.True(Try(connection, $"UPDATE \"{table}\" SET \"{column}\" = {was} WHERE {where}"));
            }
        }
        Assert.Empty(wrong);
        Assert.True(met > 100, $"{met}");
        Assert.Empty(await Look(server, "", ""));
        Assert.All(await server.Shelf(), card => Assert.NotEqual(0, card.GetProperty("version").GetInt32()));
    }

    // Something of everything that is kept of a build.
    private static async Task Fill(LiveServer server)
    {
        await Send(server, $"{Hare}/log/photos?words=top", Png.Value);
        await server.Post($"{Hare}/texts", """{"kind":"everything","words":"4.5","text":"a line"}""");
        await Note(server, """{"kind":"flight","flights":3}""");
        var (status, _) = await server.Put(
            $"{Hare}/faults",
            """{"step":0,"case":{"said":[],"cannot":["x"],"refuted":[],"usesBench":true}}"""
        );
        Assert.Equal(200, status);
    }

    // Every column of the last row that a build has in each table, in the long run of the first as well; not what names the build.
    private static List<(string Table, string Column, long Row)> Values(SqliteConnection connection)
    {
        var list = new List<(string, string, long)>();
        foreach (var table in List(connection, "SELECT name FROM sqlite_master WHERE type = 'table'"))
        {
            // A number that is the row's own is no value: another one is another row.
            var columns = List(
                connection,
                $"SELECT name FROM pragma_table_info('{table}') WHERE NOT (pk = 1 AND type = 'INTEGER')"
            );
            var of =
                columns.Contains("BuildId") ? "BuildId"
                : table == "Builds" ? "Id"
                : null;
            if (of is null)
            {
                continue;
            }
            var rows = List(
                connection,
                $"SELECT min(rowid) FROM \"{table}\" WHERE {of} = 'north-face-hare' UNION SELECT max(rowid) FROM \"{table}\" WHERE {of} = 'north-face-hare'"
            );
            Assert.True(rows.Count > 0 && rows[0] != "", table);
            list.AddRange(
                from row in IsLong ? rows : rows.TakeLast(1)
                from column in columns
                where column != of
                select (table, column, long.Parse(row, System.Globalization.CultureInfo.InvariantCulture))
            );
        }
        return list;
    }

    private static async Task<List<string>> Look(LiveServer server, string table, string column)
    {
        var wrong = new List<string>();
        async Task<JsonElement> All(string path)
        {
            using var answer = await server.Client.GetAsync(path);
            var text = await answer.Content.ReadAsStringAsync();
            if (answer.IsSuccessStatusCode)
            {
                return JsonSerializer.Deserialize<JsonElement>(text);
            }
            wrong.Add($"{path} {(int)answer.StatusCode}");
            return JsonSerializer.SerializeToElement(Array.Empty<int>());
        }
        // A build of which it is said that it was removed or laid aside is not among them.
        var gone = table == "Builds" && column is "RemovedAt" or "ArchivedAt" ? 1 : 0;
        if ((await All("/api/builds")).GetArrayLength() < LiveServer.DemoBuilds - gone)
        {
            wrong.Add("the shelf is short");
        }
        var club = (await All("/api/club")).EnumerateArray().ToList();
        wrong.AddRange(
            from craft in club
            where craft.GetProperty("id").GetString() != "north-face-hare"
            where craft.GetProperty("problem").ValueKind != JsonValueKind.Null
            select $"fleet: {craft}"
        );
        if (club.Count < LiveServer.DemoBuilds - gone)
        {
            wrong.Add("the fleet is short");
        }
        // Asked of a build that may be the damaged one, and of another.
        await All("/api/find?q=gnss&build=haul-road-heron");
        await All("/api/find?q=gnss&build=north-face-hare");
        if ((await All("/api/search?q=gnss%20batch%203")).GetArrayLength() != 2)
        {
            wrong.Add("search finds less");
        }
        foreach (var page in Own)
        {
            using var answer = await server.Client.GetAsync($"{Hare}/{page}");
            if ((int)answer.StatusCode >= 500)
            {
                wrong.Add($"{page} {(int)answer.StatusCode}");
            }
        }
        using var other = await server.Client.GetAsync("/api/builds/haul-road-heron/bench");
        if ((int)other.StatusCode != 200)
        {
            wrong.Add("another build");
        }
        return wrong;
    }

    private static bool Try(SqliteConnection connection, string sql)
    {
        try
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            return command.ExecuteNonQuery() == 1;
        }
        catch (SqliteException)
        {
            // A rule of the database itself stands against it.
            return false;
        }
    }

    private static string Scalar(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return (string)command.ExecuteScalar()!;
    }

    private static List<string> List(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        var list = new List<string>();
        while (reader.Read())
        {
            list.Add($"{reader.GetValue(0)}");
        }
        return list;
    }
}
