using System.Text.Json.Nodes;
using Juxtopsis.Data;
using Juxtopsis.Data.Model;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace Juxtopsis.Server.Tests;

/// <summary>Physical units, who has them when, and that nobody has what somebody else has.</summary>
public sealed class BookingTests(ServerFixture fixture) : IClassFixture<ServerFixture>
{
    private const string Zone = "Europe/Vienna";

    private RunningServer Server => fixture.Server;

    [Fact]
    public async Task Every_model_but_a_mount_exists_and_its_first_unit_has_its_identity()
    {
        var made = await NewThing();
        var units = (await Server.SendAsync(HttpMethod.Get, "/api/units")).Json.AsArray();
        var gear = (await Server.SendAsync(HttpMethod.Get, "/api/shelf/export.json")).Json["items"]!.AsArray();
        Assert.All(
            gear.Where(g => Text(g, "kind") != "mount").Select(g => Text(g, "id")),
            id => Assert.Contains(units, u => Text(u, "gearId") == id));
        Assert.Contains(units, u => Text(u, "id") == made.ToString() && Text(u, "gearId") == made.ToString());
        Assert.Contains(units, u => Text(u, "id") == Text(u, "gearId") && Text(u, "id") != made.ToString());
        Assert.DoesNotContain(units, u => gear.Any(g => Text(g, "kind") == "mount" && Text(g, "id") == Text(u, "gearId")));
    }

    [Fact]
    public async Task What_is_put_on_the_shelf_can_be_booked_and_what_is_booked_is_not_deleted()
    {
        var thing = await NewThing();
        Assert.Equal(200, (int)(await Book(Booking(thing, "2027-05-01T08:00", "2027-05-01T18:00"))).Status);
        var deleted = await Server.SendAsync(HttpMethod.Delete, $"/api/shelf/{thing}", ifMatch: "\"1\"");
        Assert.Equal(200, (int)deleted.Status);
        Assert.True(deleted.Json["retired"]!.GetValue<bool>());
        Assert.Contains("booked by Shed unit", deleted.Json["usedBy"]!.AsArray().Select(n => n!.GetValue<string>()));
    }

    [Fact]
    public async Task A_unit_keeps_what_is_said_of_it_and_the_last_one_stays()
    {
        var thing = await NewThing();
        var second = Guid.NewGuid();
        var body = $$"""{"gearId":"{{thing}}","label":"0042","owner":"The yard","place":"Van 2","condition":"damaged","conditionNote":"Focus ring slips"}""";
        (await Server.SendAsync(HttpMethod.Put, $"/api/units/{second}", body)).IsProblem(428);
        var made = await Server.SendAsync(HttpMethod.Put, $"/api/units/{second}", body, ifNoneMatch: "*");
        Assert.Equal(201, (int)made.Status);
        Assert.Equal(200, (int)(await Server.SendAsync(HttpMethod.Put, $"/api/units/{second}", body, ifNoneMatch: "*")).Status);
        (await Server.SendAsync(HttpMethod.Put, $"/api/units/{second}", body.Replace("Van 2", "Van 3", StringComparison.Ordinal), ifNoneMatch: "*")).IsProblem(412);
        var unit = (await Server.SendAsync(HttpMethod.Get, "/api/units")).Json.AsArray().Single(u => Text(u, "id") == second.ToString());
        Assert.Equal(("0042", "The yard", "Van 2", "damaged", "Focus ring slips"), (Text(unit, "label"), Text(unit, "owner"), Text(unit, "place"), Text(unit, "condition"), Text(unit, "conditionNote")));

        Assert.Equal(200, (int)(await Book(Booking(second, "2027-05-01T08:00", "2027-05-01T18:00"))).Status);
        var held = await Server.SendAsync(HttpMethod.Delete, $"/api/units/{second}");
        held.IsProblem(409);
        Assert.Contains("Shed unit", Text(held.Json, "detail"), StringComparison.Ordinal);
        Assert.Equal(204, (int)(await Server.SendAsync(HttpMethod.Delete, $"/api/units/{thing}")).Status);
        var last = await Server.SendAsync(HttpMethod.Delete, $"/api/units/{second}");
        last.IsProblem(409);
        Assert.Equal("/problems/last-unit", Text(last.Json, "type"));
    }

    [Theory]
    [InlineData("""{"gearId":"00000000-0000-4000-8000-000000000001"}""", "gearId")]
    [InlineData("""{"gearId":"GEAR","label":"LONG"}""", "label")]
    [InlineData("""{"gearId":"GEAR","conditionNote":"a\u0007b"}""", "conditionNote")]
    public async Task A_unit_that_cannot_be_is_refused(string body, string field)
    {
        var thing = await NewThing();
        var answer = await Server.SendAsync(
            HttpMethod.Put, $"/api/units/{Guid.NewGuid()}", body.Replace("GEAR", $"{thing}", StringComparison.Ordinal).Replace("LONG", new('x', 81), StringComparison.Ordinal), ifNoneMatch: "*");
        answer.IsProblem(422);
        Assert.Equal([field], answer.Fields);
    }

    [Fact]
    public async Task A_clash_says_who_has_it_until_when_and_what_of_the_same_is_free()
    {
        var thing = await NewThing();
        var (second, broken) = (Guid.NewGuid(), Guid.NewGuid());
        await Server.SendAsync(HttpMethod.Put, $"/api/units/{second}", $$"""{"gearId":"{{thing}}"}""", ifNoneMatch: "*");
        await Server.SendAsync(HttpMethod.Put, $"/api/units/{broken}", $$"""{"gearId":"{{thing}}","condition":"damaged"}""", ifNoneMatch: "*");
        var production = (await Server.SendAsync(HttpMethod.Get, "/api/productions")).Json[0]!;
        var first = Booking(thing, "2027-05-01T08:00", "2027-05-02T18:00", "River unit", before: 120, after: 60);
        first["productionId"] = Text(production, "id");
        Assert.Equal(200, (int)(await Book(first)).Status);

        var wanted = Booking(thing, "2027-05-02T18:30", "2027-05-03T12:00");
        var free = Booking(second, "2027-05-02T18:30", "2027-05-03T12:00");
        var other = await NewThing();
        var answer = await Book(wanted, Booking(other, "2027-05-02T18:30", "2027-05-03T12:00"));
        answer.IsProblem(409);
        var clash = Assert.Single(answer.Json["clashes"]!.AsArray())!;
        Assert.Equal((Text(wanted, "id"), Text(first, "id"), Text(production, "name")), (Text(clash, "wanted"), Text(clash["held"], "id"), Text(clash, "production")));
        Assert.Contains($"River unit ({Text(production, "name")}) has it from 2027-05-01 06:00 until 2027-05-02 19:00.", Text(clash, "say"), StringComparison.Ordinal);
        Assert.Equal([second.ToString()], clash["free"]!.AsArray().Select(f => f!.GetValue<string>()));
        Assert.Equal(["book[0]"], answer.Fields);
        Assert.Empty(await Of(other));

        // As it is returned somebody else may have it; and the free one now.
        wanted["from"] = "2027-05-02T19:00";
        Assert.Equal(200, (int)(await Book(wanted, free)).Status);
    }

    [Fact]
    public async Task Saving_again_is_harmless_and_two_bookings_can_change_places()
    {
        var thing = await NewThing();
        var morning = Booking(thing, "2027-05-01T08:00", "2027-05-01T12:00");
        var evening = Booking(thing, "2027-05-01T13:00", "2027-05-01T20:00", "River unit");
        for (var i = 0; i < 2; i++)
        {
            Assert.Equal(200, (int)(await Book(morning, evening)).Status);
        }

        Assert.Equal(2, (await Of(thing)).Count);
        (morning["from"], morning["to"], evening["from"], evening["to"]) = ("2027-05-01T13:00", "2027-05-01T20:00", "2027-05-01T08:00", "2027-05-01T12:00");
        Assert.Equal(200, (int)(await Book(morning, evening)).Status);
        Assert.Equal(["River unit", "Shed unit"], (await Of(thing)).Select(b => Text(b, "crewUnit")));

        var cancelled = await Server.SendAsync(HttpMethod.Post, "/api/bookings", $$"""{"cancel":["{{Text(evening, "id")}}"],"book":[{{Booking(thing, "2027-05-01T09:00", "2027-05-01T11:00", "Loose camera").ToJsonString()}}]}""");
        Assert.Equal(200, (int)cancelled.Status);
        Assert.Equal(["Loose camera", "Shed unit"], (await Of(thing)).Select(b => Text(b, "crewUnit")));
        (await Book(evening)).IsProblem(409);
        var twice = await Book(Booking(thing, "2027-06-01T09:00", "2027-06-01T11:00"), Booking(thing, "2027-06-01T10:00", "2027-06-01T12:00"));
        twice.IsProblem(409);
        Assert.Contains("asked for twice at one time", Text(twice.Json, "detail"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_hundred_writers_at_once_end_with_one_booking()
    {
        var thing = await NewThing();
        var answers = await Task.WhenAll(Enumerable.Range(0, 200).Select(i => Task.Run(() => Book(Booking(thing, "2027-05-01T08:00", "2027-05-01T18:00", $"Unit {i}")))));
        Assert.Single(answers, a => (int)a.Status == 200);
        Assert.All(answers.Where(a => (int)a.Status != 200), a => a.IsProblem(409));
        var booked = Assert.Single(await Of(thing));
        Assert.All(answers.Where(a => (int)a.Status != 200), a => Assert.Contains($"{Text(booked, "crewUnit")} has it", Text(a.Json, "detail"), StringComparison.Ordinal));
    }

    [Fact]
    public async Task The_database_by_itself_refuses_a_double_booking_whoever_writes()
    {
        var thing = await NewThing();
        await using var source = NpgsqlDataSource.Create(fixture.Connection);
        var crew = await CrewOf(source);
        async Task<string?> Write(int i)
        {
            await using var connection = await source.OpenConnectionAsync();
            await using var command = connection.CreateCommand();
            command.CommandText =
                $"""
                 select set_config('juxtopsis.crew', '{crew}', false);
                 insert into bookings (crew_id, id, gear_unit_id, crew_unit, starts_at, ends_at, blocked_from, blocked_to, note, by, revision, updated_at)
                   values ('{crew}', gen_random_uuid(), '{thing}', 'Unit {i}', '2027-05-01T08:00Z', '2027-05-01T18:00Z', '2027-05-01T07:00Z', '2027-05-01T{19 + i % 3}:00Z', '', '', 1, now())
                 """;
            try
            {
                await command.ExecuteNonQueryAsync();
                return null;
            }
            catch (PostgresException e)
            {
                return e.SqlState;
            }
        }

        var states = await Task.WhenAll(Enumerable.Range(0, 40).Select(i => Task.Run(() => Write(i))));
        Assert.Single(states, s => s is null);
        Assert.All(states.Where(s => s is not null), s => Assert.Contains(s, new[] { PostgresErrorCodes.ExclusionViolation, PostgresErrorCodes.DeadlockDetected }));
        Assert.Single(await Of(thing));
    }

    [Theory]
    [InlineData("2027-05-01T08:00", "2027-05-01T08:00", "book[0].to")]
    [InlineData("2027-05-02T08:00", "2027-05-01T08:00", "book[0].to")]
    [InlineData("2027-05-01", "2027-05-02T08:00", "book[0].from")]
    [InlineData("2027-02-30T08:00", "2027-05-02T08:00", "book[0].from")]
    [InlineData("1999-02-20T08:00", "2027-05-02T08:00", "book[0].from")]
    [InlineData("2027-02-20T08:00", "2031-05-02T08:00", "book[0].to")]
    public async Task A_span_that_cannot_be_is_refused(string from, string to, string field)
    {
        var answer = await Book(Booking(await NewThing(), from, to));
        answer.IsProblem(422);
        Assert.Equal([field], answer.Fields);
    }

    [Theory]
    [InlineData("beforeMinutes", -1)]
    [InlineData("afterMinutes", 20_161)]
    [InlineData("daysCharged", 1001)]
    public async Task Numbers_out_of_range_are_refused(string field, int value)
    {
        var booking = Booking(await NewThing(), "2027-05-01T08:00", "2027-05-02T08:00");
        booking[field] = value;
        var answer = await Book(booking);
        answer.IsProblem(422);
        Assert.Equal([$"book[0].{field}"], answer.Fields);
    }

    [Fact]
    public async Task Nobody_and_an_unknown_unit_are_refused()
    {
        var answer = await Book(Booking(await NewThing(), "2027-05-01T08:00", "2027-05-02T08:00", " "));
        answer.IsProblem(422);
        Assert.Equal(["book[0].crewUnit"], answer.Fields);
        answer = await Book(Booking(Guid.NewGuid(), "2027-05-01T08:00", "2027-05-02T08:00"));
        answer.IsProblem(422);
        Assert.Equal(["book[0].unitId"], answer.Fields);
    }

    [Fact]
    public async Task Over_a_change_of_the_clocks_a_booking_lasts_as_long_as_it_lasts()
    {
        await Terms(Zone);
        var thing = await NewThing();
        var gap = await Book(Booking(thing, "2027-03-28T02:30", "2027-03-28T09:00"));
        gap.IsProblem(422);
        Assert.Equal(["book[0].from"], gap.Fields);
        Assert.Contains("the clocks go forward to 2027-03-28 03:00", Text(gap.Json, "detail"), StringComparison.Ordinal);

        // Half past two is there twice in October: from the first, and to the second.
        var spring = Booking(thing, "2027-03-27T22:00", "2027-03-28T22:00", before: 60, after: 30);
        var autumn = Booking(thing, "2027-10-31T02:30", "2027-10-31T02:45");
        Assert.Equal(200, (int)(await Book(spring, autumn)).Status);
        var booked = await Of(thing);
        Assert.Equal(TimeSpan.FromMinutes(23 * 60 + 90), At(booked[0], "returnAt") - At(booked[0], "pickUpAt"));
        Assert.Equal(("2027-03-27T21:00", "2027-03-28T22:30", 60, 30), (Text(booked[0], "pickUp"), Text(booked[0], "return"), booked[0]["beforeMinutes"]!.GetValue<int>(), booked[0]["afterMinutes"]!.GetValue<int>()));
        Assert.Equal(TimeSpan.FromMinutes(75), At(booked[1], "returnAt") - At(booked[1], "pickUpAt"));
    }

    [Theory]
    [InlineData("2027-05-01T08:00", "2027-05-01T18:00", 0, 0, 1)]
    [InlineData("2027-05-01T08:00", "2027-05-03T18:00", 0, 0, 3)]
    [InlineData("2027-05-01T08:00", "2027-05-03T18:00", 720, 720, 5)]
    [InlineData("2027-05-01T08:00", "2027-05-03T00:00", 0, 0, 2)]
    [InlineData("2027-03-27T12:00", "2027-03-28T12:00", 0, 0, 2)]
    public async Task A_house_charges_each_day_begun_between_pick_up_and_return(string from, string to, int before, int after, int days)
    {
        await Terms(Zone);
        var thing = await NewThing();
        var booking = Booking(thing, from, to, before: before, after: after);
        await Book(booking);
        var booked = Assert.Single(await Of(thing));
        Assert.Equal((days, false), (booked["daysCharged"]!.GetValue<int>(), booked["daysGiven"]!.GetValue<bool>()));
        booking["daysCharged"] = 1;
        await Book(booking);
        booked = Assert.Single(await Of(thing));
        Assert.Equal((1, true), (booked["daysCharged"]!.GetValue<int>(), booked["daysGiven"]!.GetValue<bool>()));
    }

    [Fact]
    public async Task Bookings_are_found_by_span_production_and_unit()
    {
        var (one, two) = (await NewThing(), await NewThing());
        var production = Guid.NewGuid();
        var first = Booking(one, "2028-05-01T08:00", "2028-05-01T18:00");
        var second = Booking(two, "2028-05-03T08:00", "2028-05-03T18:00");
        second["productionId"] = production.ToString();
        await Book(first, second);
        async Task<IEnumerable<string>> Found(string query) => (await Server.SendAsync(HttpMethod.Get, $"/api/bookings?{query}")).Json.AsArray().Select(b => Text(b, "id"));
        Assert.Equal([Text(first, "id"), Text(second, "id")], await Found("from=2028-04-30T00:00:00Z&to=2028-05-09T00:00:00Z"));
        Assert.Equal([Text(second, "id")], await Found("from=2028-05-02T00:00:00Z&to=2028-05-09T00:00:00Z"));
        Assert.Equal([Text(second, "id")], await Found($"production={production}"));
        Assert.Equal([Text(first, "id")], await Found($"unit={one}"));
        (await Server.SendAsync(HttpMethod.Get, "/api/bookings?from=tomorrow")).IsProblem(400);
    }

    [Fact]
    public async Task Bookings_are_a_calendar_file()
    {
        await Terms(Zone);
        var thing = await NewThing();
        var booking = Booking(thing, "2028-07-01T08:00", "2028-07-02T18:00", "River unit", before: 60);
        booking["note"] = "by boat, not by van";
        await Book(booking);
        var file = await Server.SendAsync(HttpMethod.Get, "/api/bookings.ics");
        Assert.Equal((200, "text/calendar"), ((int)file.Status, file.MediaType));
        var calendar = Ical.Net.Calendar.Load(file.Body)!;
        var read = calendar.Events.Single(e => e.Uid == $"{Text(booking, "id")}@juxtopsis");
        Assert.Equal(($"Case {thing}: River unit", new DateTime(2028, 7, 1, 5, 0, 0), new DateTime(2028, 7, 2, 16, 0, 0)), (read.Summary, read.Start!.AsUtc, read.End!.AsUtc));
        Assert.EndsWith("by boat, not by van", read.Description, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Terms_are_kept_and_bad_ones_refused()
    {
        var answer = await Server.SendAsync(HttpMethod.Put, "/api/crew/terms", $$"""{"currency":"kr","taxPercent":25,"marginPercent":12.5,"timeZone":"{{Zone}}"}""");
        Assert.Equal(200, (int)answer.Status);
        var terms = (await Server.SendAsync(HttpMethod.Get, "/api/crew/terms")).Json;
        Assert.Equal(("kr", 25, 12.5, Zone), (Text(terms, "currency"), terms["taxPercent"]!.GetValue<double>(), terms["marginPercent"]!.GetValue<double>(), Text(terms, "timeZone")));
        foreach (var (body, field) in new[] { ("""{"currency":" "}""", "currency"), ("""{"taxPercent":-1}""", "taxPercent"), ("""{"marginPercent":1001}""", "marginPercent"), ("""{"timeZone":"Nowhere/Here"}""", "timeZone") })
        {
            var refused = await Server.SendAsync(HttpMethod.Put, "/api/crew/terms", body);
            refused.IsProblem(422);
            Assert.Equal([field], refused.Fields);
        }

        Assert.Contains(Zone, (await Server.SendAsync(HttpMethod.Get, "/api/crew/terms/zones")).Json.AsArray().Select(z => z!.GetValue<string>()));
    }

    private static string Text(JsonNode? node, string member) => node![member]!.GetValue<string>();

    private static DateTimeOffset At(JsonNode node, string member) => node[member]!.GetValue<DateTimeOffset>();

    private static JsonObject Booking(Guid unit, string from, string to, string crewUnit = "Shed unit", int before = 0, int after = 0) => new()
    {
        ["id"] = Guid.NewGuid().ToString(),
        ["unitId"] = unit.ToString(),
        ["crewUnit"] = crewUnit,
        ["from"] = from,
        ["to"] = to,
        ["beforeMinutes"] = before,
        ["afterMinutes"] = after,
    };

    private Task<Answer> Book(params JsonObject[] bookings) =>
        Server.SendAsync(HttpMethod.Post, "/api/bookings", new JsonObject { ["book"] = new JsonArray([.. bookings.Select(b => b.DeepClone())]) }.ToJsonString());

    private async Task<IReadOnlyList<JsonNode>> Of(Guid unit) => [.. (await Server.SendAsync(HttpMethod.Get, $"/api/bookings?unit={unit}")).Json.AsArray().Select(b => b!)];

    private Task<Answer> Terms(string zone) => Server.SendAsync(HttpMethod.Put, "/api/crew/terms", $$"""{"timeZone":"{{zone}}"}""");

    private async Task<Guid> NewThing()
    {
        var id = Guid.NewGuid();
        var made = await Server.SendAsync(HttpMethod.Put, $"/api/shelf/{id}", $$"""{"kind":"bagItem","id":"{{id}}","name":"Case {{id}}"}""", ifNoneMatch: "*");
        Assert.Equal(201, (int)made.Status);
        return id;
    }

    private async Task<Guid> CrewOf(NpgsqlDataSource source)
    {
        using var scope = Server.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<JuxtopsisDb>();
        Assert.True(await db.Set<GearUnit>().AnyAsync());
        await using var command = source.CreateCommand("select id from crews limit 1");
        return (Guid)(await command.ExecuteScalarAsync())!;
    }
}
