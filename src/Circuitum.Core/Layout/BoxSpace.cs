using Circuitum.Core.Jobs;
using Circuitum.Core.Reasons;
using Circuitum.Core.Rules;
using Circuitum.Core.Units;

namespace Circuitum.Core.Layout;

/// <summary>How much room a box has and needs: counted here for whoever plans with it, joins in it or checks it.</summary>
public static class BoxSpace
{
    extension(PlacedBox box)
    {
        /// <summary>Yokes in it, for box fill: switches and receptacles. A lamp, a fan or an alarm hangs before the box.</summary>
        public int Yokes => box.Box.Devices.Count(d => (d.Kind.IsSwitch() || d.Kind.IsReceptacle()) && !IsWide(d));

        /// <summary>Devices of two gangs: flush receptacles of 30 and 50 A.</summary>
        public int WideYokes => box.Box.Devices.Count(IsWide);

        /// <summary>Gangs of the box that is usual for it; 0 for one without, which carries a lamp, a fan, an alarm or joints.</summary>
        public int Gangs => box.Box.Mount == Mount.Wall && !(box.IsJoint && box.Make.IsMetal())
            && !box.HasLight && !box.HasAlarm && !box.Box.Devices.Any(d => d.Kind.IsFan())
            ? box.Box.Devices.Length : 0;

        /// <summary>What so many cables and its own devices need.</summary>
        public Figure<CubicInches> Needed(IReadOnlyList<EnteringCable> cables, CodeBook book) => box.Needed(cables, box.Make, book);

        /// <summary>What so many cables and its own devices need in a box of a make: device boxes of metal have their clamps
        /// inside.</summary>
        public Figure<CubicInches> Needed(IReadOnlyList<EnteringCable> cables, BoxMake make, CodeBook book) => book.Boxes.Count(new()
        {
            Cables = [.. cables],
            Yokes = box.Yokes,
            WideYokes = box.WideYokes,
            InternalClamps = make == BoxMake.MetalDevice && box.Gangs > 0,
        });

        /// <summary>The most that it can hold: what is stamped in it, or the largest usual box of its gangs.</summary>
        public CubicInches? Most => box.Box.Volume ?? UsualBoxes.Largest(box.Make == BoxMake.MetalDevice && box.Box.Make is null
            ? BoxMake.Square : box.Make, box.Gangs);
    }

    /// <summary>Heights of receptacles are those of their contacts, in the middle of a box of 4 in: this far above its bottom.</summary>
    public static Length Contacts { get; } = Length.FromInches(2);

    // 20 A contacts carry 16 A plugged in; what draws more has 30 or 50 A ones.
    private static bool IsWide(Device device) => device.Kind == DeviceKind.ApplianceReceptacle && device.Plate is { } plate
        && (plate.Appliance is Appliance.Range or Appliance.Dryer || (plate.Load / plate.Volts).Value > 16);
}
