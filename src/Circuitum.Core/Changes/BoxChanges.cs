using Circuitum.Core.Jobs;
using Circuitum.Core.Units;

namespace Circuitum.Core.Changes;

/// <summary>Moves a box along its wall.</summary>
public sealed record MoveBox(BoxId Box, Length Offset) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        if (box.Mount != Mount.Wall)
        {
            throw new ChangeRefusedException("This box is not on a wall; give it X and Y instead.");
        }

        var by = (Offset - box.Offset).Abs();
        phrase = $"Move {Called(job, box)} {by}";
        return With(job, box with { Offset = Offset });
    }
}

/// <summary>Moves a ceiling or floor box.</summary>
public sealed record PlaceBox(BoxId Box, Length X, Length Y) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        if (box.Mount == Mount.Wall)
        {
            throw new ChangeRefusedException("This box is on a wall; give it an offset along it.");
        }

        phrase = $"Move {Called(job, box)} to {X}, {Y}";
        return With(job, box with { X = X, Y = Y });
    }
}

/// <summary>Sets or clears a box's height.</summary>
public sealed record SetHeight(BoxId Box, Length? Height) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        phrase = Height is Length h ? $"Set {Called(job, box)} at {h}" : $"Set {Called(job, box)} at the crew's height";
        return With(job, box with { Height = Height });
    }
}

/// <summary>Adds a receptacle to a wall.</summary>
public sealed record AddBox(Box Box) : JobChange
{
    /// <inheritdoc/>
    protected override Subject? Selects(Job before) => Subject.Box(Box.Id);

    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        FreePlace.For(job, Box);
        phrase = $"Add {Called(job, Box)}";
        return job with { Boxes = job.Boxes.Add(Box) };
    }
}

/// <summary>Takes a box out, with the pins, holds and switch legs that named it.</summary>
public sealed record DeleteBox(BoxId Box) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        phrase = $"Delete {Called(job, box)}";
        return Without(job with { Boxes = job.Boxes.Remove(box) }, Box);
    }

    /// <summary>Drops whatever names a box that is gone.</summary>
    internal static Job Without(Job job, BoxId gone) => job with
    {
        Boxes = [.. job.Boxes.Select(b => b.Devices.Any(d => d.Controls.Contains(gone))
            ? b with { Devices = [.. b.Devices.Select(d => d.Controls.Contains(gone) ? d with { Controls = d.Controls.Remove(gone) } : d)] }
            : b)],
        Pins = job.Pins with { Boxes = [.. job.Pins.Boxes.Where(p => p.Box != gone)] },
        Holds = [.. job.Holds.Where(h => h.Subject != $"box:{gone}")],
    };
}

/// <summary>Takes a box of another stamped volume; null takes the smallest usual one again.</summary>
/// <param name="Box">The box.</param>
/// <param name="Volume">4 to 200 in³.</param>
public sealed record SetVolume(BoxId Box, CubicInches? Volume) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        if (Volume is { Value: < 4 or > 200 })
        {
            throw new ChangeRefusedException($"A box holds from 4 to 200 in³; {Volume} is none.");
        }

        phrase = Volume is CubicInches volume ? $"Take a box of {volume} for {Called(job, box)}"
            : $"Take the smallest usual box for {Called(job, box)}";
        return With(job, box with { Volume = Volume });
    }
}

/// <summary>Makes a box otherwise than the crew's boxes are made; null makes it as they are. A volume that was stamped in the other goes
/// with it.</summary>
/// <param name="Box">The box.</param>
/// <param name="Make">How it is made.</param>
public sealed record SetBoxMake(BoxId Box, BoxMake? Make) : JobChange
{
    /// <inheritdoc/>
    protected override Job Apply(Job job, out string phrase)
    {
        var box = Find(job, Box);
        phrase = Make is { } make ? $"{Called(job, box)}: {make.Words()}" : $"{Called(job, box)}: a box as the crew makes them";
        return With(job, box with { Make = Make, Volume = Make == box.Make ? box.Volume : null });
    }
}
