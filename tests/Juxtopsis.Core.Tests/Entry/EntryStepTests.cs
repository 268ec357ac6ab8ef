using Juxtopsis.Core.Entry;
using Juxtopsis.Core.Quantities;

namespace Juxtopsis.Core.Tests.Entry;

public sealed class EntryStepTests
{
    [Theory]
    [InlineData(EntryKind.FNumber, 2.8, true, false, 3.2)]
    [InlineData(EntryKind.FNumber, 2.8, false, false, 2.5)]
    [InlineData(EntryKind.FNumber, 2.8, true, true, 4)]
    [InlineData(EntryKind.FNumber, 2.7, true, false, 2.8)]
    [InlineData(EntryKind.FNumber, 512, true, false, 512)]
    [InlineData(EntryKind.FocalLength, 35, true, false, 36)]
    [InlineData(EntryKind.FocalLength, 35, true, true, 40)]
    [InlineData(EntryKind.FocalLength, 0.5, false, false, 0.5)]
    [InlineData(EntryKind.SubjectDistance, 2340, true, false, 2440)]
    [InlineData(EntryKind.SubjectDistance, 2340, false, true, 1340)]
    [InlineData(EntryKind.SubjectDistance, 500, false, false, 490)]
    [InlineData(EntryKind.SubjectDistance, 10, false, false, 10)]
    [InlineData(EntryKind.Optics, 1, false, false, 0.8)]
    [InlineData(EntryKind.Squeeze, 1, false, false, 1)]
    [InlineData(EntryKind.DeliveryAspect, 16.0 / 9, true, false, 1.85)]
    [InlineData(EntryKind.SensorArea, 36, true, false, 36)]
    [InlineData(EntryKind.Sensitivity, 800, true, false, 1000)]
    [InlineData(EntryKind.ShutterAngle, 180, false, false, 172.8)]
    [InlineData(EntryKind.MountError, 0, false, false, -0.01)]
    [InlineData(EntryKind.Brightness, 12, false, true, 11)]
    [InlineData(EntryKind.CloseUp, 0, false, false, 0)]
    public void Arrow_keys_step_by_what_means_something(EntryKind kind, double from, bool up, bool large, double to) =>
        Assert.Equal(to, EntryStep.Next(kind, from, up, large, LengthUnit.Metres), 9);

    [Fact]
    public void Feet_step_by_three_inches_and_by_three_feet()
    {
        Assert.Equal(3048 + 76.2, EntryStep.Next(EntryKind.SubjectDistance, 3048, up: true, large: false, LengthUnit.Feet), 6);
        Assert.Equal(3048 - 914.4, EntryStep.Next(EntryKind.SubjectDistance, 3048, up: false, large: true, LengthUnit.Feet), 6);
    }

    [Fact]
    public void An_infinite_background_stays_infinite() => Assert.Equal(
        double.PositiveInfinity,
        EntryStep.Next(EntryKind.BackgroundDistance, double.PositiveInfinity, up: false, large: false, LengthUnit.Metres));
}
