namespace Circuitum.Core.Jobs;

/// <summary>How joints are made at devices.</summary>
public enum JointSchool
{
    /// <summary>Every device on pigtails.</summary>
    Pigtail,

    /// <summary>Through the device where only two cables meet.</summary>
    FeedThrough,

    /// <summary>Pigtails only where they are needed: more than two cables, multiwire, a protective device that must not protect
    /// onward.</summary>
    AsNeeded,
}
