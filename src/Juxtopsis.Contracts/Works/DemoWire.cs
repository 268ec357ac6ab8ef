namespace Juxtopsis.Contracts.Works;

/// <summary>The demo's gear and work, which are put away and brought back as one thing.</summary>
/// <param name="IsHere">True when any of it is offered; false when it is put away, or was never brought.</param>
/// <param name="Gear">The identities of its gear, whether it is here or not.</param>
/// <param name="Works">The identities of its comparisons and productions.</param>
/// <param name="HasOwn">Whether there is other gear beside it to answer from: a camera and a lens, or a camera with its lens.</param>
/// <param name="Held">Names of its things that stayed where they were: mounts that other gear names when it is put away, and things whose names others took meanwhile when it is brought back.</param>
public sealed record DemoOutput(bool IsHere, IReadOnlyList<Guid> Gear, IReadOnlyList<Guid> Works, bool HasOwn, IReadOnlyList<string> Held);

/// <summary>Asks for the demo, or for its being put away.</summary>
/// <param name="IsHere">True to bring it back, false to put it away.</param>
public sealed record DemoInput(bool IsHere);
