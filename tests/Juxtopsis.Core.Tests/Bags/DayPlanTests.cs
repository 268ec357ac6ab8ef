using Juxtopsis.Core.Bags;
using Juxtopsis.Core.Gear;
using Juxtopsis.Core.Tests.Chains;

namespace Juxtopsis.Core.Tests.Bags;

/// <summary>What cameras draw in a day.</summary>
public sealed class DayPlanTests
{
    private static readonly DayPlan Day = new() { UsedMinutes = 6, ShootingRatio = 20, StandbyHours = 4 };

    [Theory]
    [InlineData(1, 2 * 30 + 4 * 20 + 4 * 5)]
    [InlineData(2, 2 * 30 + 2 * 10 + 4 * 20 + 4 * 5)]
    [InlineData(9, 2 * 30 + 2 * 10 + 4 * 20 + 4 * 5)]
    public void Those_that_draw_most_record_all_of_it_as_many_as_record_at_a_time(int rolling, double wh) =>
        Assert.Equal(wh, (Day with { Rolling = rolling }).EnergyWh([new(10, 5), new(30, 20)]), 9);

    [Fact]
    public void More_cameras_never_draw_less()
    {
        var random = new Random(11);
        for (var i = 0; i < 200; i++)
        {
            CameraDraw[] draws = [.. Enumerable.Range(0, random.Next(1, 6)).Select(_ => new CameraDraw(random.Next(0, 60), random.Next(0, 60)))];
            var day = new DayPlan { UsedMinutes = random.Next(0, 30), StandbyHours = random.Next(0, 12), Rolling = random.Next(1, 4) };
            Assert.True(day.EnergyWh([.. draws]) >= day.EnergyWh([.. draws.Skip(1)]));
        }

        Assert.Equal(0, Day.EnergyWh([]));
    }

    [Fact]
    public void On_standby_a_camera_draws_as_much_as_recording_where_nothing_else_is_known()
    {
        Assert.Null(CameraDraw.Of(Made.Body));
        Assert.Equal(new CameraDraw(12, 12), CameraDraw.Of(Made.Body.With(BodyFields.Power, 12.0)));
        Assert.Equal(new CameraDraw(12, 5), CameraDraw.Of(Made.Body.With(BodyFields.Power, 12.0).With(BodyFields.Standby, 5.0)));
    }
}
