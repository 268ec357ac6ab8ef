namespace Juxtopsis.Core.Gear;

/// <summary>
/// A piece of gear: what kind it is, and what is known of it. Immutable; equal when kind, identity and all that is known are.
/// </summary>
/// <remarks>A recording mode is an item too, held by its body; its identity is its name there.</remarks>
public sealed class GearItem : IEquatable<GearItem>
{
    private readonly Dictionary<GearField, object> values;

    private GearItem(GearKind kind, Guid id, Dictionary<GearField, object> values)
    {
        Kind = kind;
        Id = id;
        this.values = values;
    }

    /// <summary>What kind it is.</summary>
    public GearKind Kind { get; }

    /// <summary>Its identity; empty for a recording mode.</summary>
    public Guid Id { get; }

    /// <summary>Its name; empty while it has none.</summary>
    public string Name => Get(CommonFields.Name);

    /// <summary>Maker and name, as people say it.</summary>
    public string FullName => Get(CommonFields.Maker) is { Length: > 0 } maker ? $"{maker} {Name}" : Name;

    /// <summary>Its weight, g; null when not known.</summary>
    public double? WeightG => Get(CommonFields.Weight);

    /// <summary>The fields of which something is known, in the kind's order.</summary>
    public IEnumerable<GearField> Known => GearKinds.Of(Kind).Fields.Where(values.ContainsKey);

    /// <summary>An item of which some things are known.</summary>
    /// <param name="kind">Its kind.</param>
    /// <param name="id">Its identity.</param>
    /// <param name="known">Fields of the kind, each with a value of its own class.</param>
    /// <returns>The item, not checked: see <see cref="GearChecks"/>.</returns>
    public static GearItem Of(GearKind kind, Guid id, IEnumerable<KeyValuePair<GearField, object>> known) => new(kind, id, new(known));

    /// <summary>The value of any field.</summary>
    /// <param name="field">A field.</param>
    /// <returns>The value; null when it is not known.</returns>
    public object? Value(GearField field) => values.GetValueOrDefault(field);

    /// <summary>A number.</summary>
    /// <param name="field">Its field.</param>
    /// <returns>The number in the field's unit; null when it is not known.</returns>
    public double? Get(NumberField field) => Value(field) as double?;

    /// <summary>A text.</summary>
    /// <param name="field">Its field.</param>
    /// <returns>The text; empty when it is not known.</returns>
    public string Get(TextField field) => Value(field) as string ?? "";

    /// <summary>A yes or no.</summary>
    /// <param name="field">Its field.</param>
    /// <returns>Yes or no; null when it is not known.</returns>
    public bool? Get(FlagField field) => Value(field) as bool?;

    /// <summary>A choice.</summary>
    /// <typeparam name="T">The enumeration.</typeparam>
    /// <param name="field">Its field.</param>
    /// <returns>The choice; null when it is not known.</returns>
    public T? Get<T>(ChoiceField<T> field)
        where T : struct, Enum => Value(field) as T?;

    /// <summary>Numbers in a row.</summary>
    /// <param name="field">Their field.</param>
    /// <returns>The numbers; empty when they are not known.</returns>
    public IReadOnlyList<double> Get(NumbersField field) => Value(field) as IReadOnlyList<double> ?? [];

    /// <summary>Values at places.</summary>
    /// <param name="field">Their field.</param>
    /// <returns>The points; empty when they are not known.</returns>
    public IReadOnlyList<GearPoint> Get(PointsField field) => Value(field) as IReadOnlyList<GearPoint> ?? [];

    /// <summary>Names of mounts.</summary>
    /// <param name="field">Their field.</param>
    /// <returns>The names; empty when they are not known.</returns>
    public IReadOnlyList<string> Get(MountsField field) => Value(field) as IReadOnlyList<string> ?? [];

    /// <summary>Recording modes.</summary>
    /// <param name="field">Their field.</param>
    /// <returns>The modes; empty when none is known.</returns>
    public IReadOnlyList<GearItem> Get(ModesField field) => Value(field) as IReadOnlyList<GearItem> ?? [];

    /// <summary>The same with another value.</summary>
    /// <param name="field">A field of the kind.</param>
    /// <param name="value">A value of the field; null for not known.</param>
    /// <returns>A new item.</returns>
    public GearItem With(GearField field, object? value)
    {
        var changed = new Dictionary<GearField, object>(values);
        if (value is null)
        {
            changed.Remove(field);
        }
        else
        {
            changed[field] = value;
        }

        return new(Kind, Id, changed);
    }

    /// <summary>The same with what tests found in place of what its papers say.</summary>
    /// <returns>Itself where nothing was tested.</returns>
    public GearItem AsTested()
    {
        Dictionary<GearField, object>? changed = null;
        foreach (var (field, value) in values)
        {
            if (field.StandsFor is { } papers)
            {
                (changed ??= new(values))[papers] = value;
            }
        }

        return changed is null ? this : new(Kind, Id, changed);
    }

    /// <summary>The same under another identity.</summary>
    /// <param name="id">The identity.</param>
    /// <returns>A new item.</returns>
    public GearItem WithId(Guid id) => new(Kind, id, values);

    /// <summary>The same with a label after its name, which gives way where both are too long for a name.</summary>
    /// <param name="label">Text, such as the number of a unit, shorter than a name may be.</param>
    /// <returns>A new item.</returns>
    public GearItem Labelled(string label)
    {
        ArgumentNullException.ThrowIfNull(label);
        var room = Math.Max(1, CommonFields.Name.MaxLength - label.Length - 1);
        return Named($"{(Name.Length > room ? Name[..room].TrimEnd() : Name)} {label}");
    }

    /// <summary>The same under another name.</summary>
    /// <param name="name">The name.</param>
    /// <returns>A new item.</returns>
    public GearItem Named(string name) => With(CommonFields.Name, name);

    /// <summary>The fields in which two items differ, in the kind's order.</summary>
    /// <param name="other">Another item of the same kind.</param>
    /// <returns>The fields; empty when they are the same but for identity.</returns>
    public IReadOnlyList<GearField> DifferencesFrom(GearItem other)
    {
        ArgumentNullException.ThrowIfNull(other);
        return [.. GearKinds.Of(Kind).Fields.Where(f => Value(f) is { } mine
            ? other.Value(f) is not { } theirs || !f.Same(mine, theirs)
            : other.Value(f) is not null)];
    }

    /// <inheritdoc/>
    public bool Equals(GearItem? other) => other is not null && Kind == other.Kind && Id == other.Id && DifferencesFrom(other).Count == 0;

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as GearItem);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Kind, Id, Name);

    /// <inheritdoc/>
    public override string ToString() => $"{Kind} {FullName}";
}
