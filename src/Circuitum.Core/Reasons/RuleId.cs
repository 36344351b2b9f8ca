namespace Circuitum.Core.Reasons;

/// <summary>Every rule that a figure, a tag or an owed place can be cited by. A rule keeps its id whatever number a book gives
/// it.</summary>
public enum RuleId
{
    /// <summary>Equipment is used as it is listed and labelled.</summary>
    ListedUse,
    /// <summary>A terminal takes one conductor unless it is identified for more.</summary>
    OneWireToATerminal,
    /// <summary>Conductors are held to the temperature of what they land on.</summary>
    TerminationTemperature,
    /// <summary>Terminals are torqued to their marking.</summary>
    TerminalTorque,
    /// <summary>Clear space before equipment.</summary>
    WorkingSpace,
    /// <summary>Depth, width and height of the clear space.</summary>
    WorkingSpaceClear,
    /// <summary>Headroom before a panel.</summary>
    Headroom,
    /// <summary>The service's disconnect.</summary>
    ServiceDisconnect,
    /// <summary>Light to work by before a panel.</summary>
    PanelLight,
    /// <summary>Nothing foreign above and below a panel.</summary>
    DedicatedSpace,
    /// <summary>A neutral that is shared belongs to one multiwire circuit.</summary>
    SharedNeutralTogether,
    /// <summary>A white conductor that is no neutral is marked again.</summary>
    RemarkedWhite,
    /// <summary>Multiwire branch circuits.</summary>
    Multiwire,
    /// <summary>All hots of a multiwire circuit open together.</summary>
    MultiwireDisconnect,
    /// <summary>The conductors of a multiwire circuit are tied together in the panel.</summary>
    MultiwireGrouped,
    /// <summary>Ground-fault protection for persons.</summary>
    GroundFault,
    /// <summary>In bathrooms.</summary>
    GroundFaultBath,
    /// <summary>GFCI where food or drink is prepared at a sink.</summary>
    GroundFaultFood,
    /// <summary>GFCI of the receptacle for servicing equipment.</summary>
    GroundFaultService,
    /// <summary>In garages and accessory buildings.</summary>
    GroundFaultGarage,
    /// <summary>Outdoors.</summary>
    GroundFaultOutdoors,
    /// <summary>In crawl spaces.</summary>
    GroundFaultCrawlSpace,
    /// <summary>In basements.</summary>
    GroundFaultBasement,
    /// <summary>In kitchens.</summary>
    GroundFaultKitchen,
    /// <summary>Near sinks.</summary>
    GroundFaultSink,
    /// <summary>Near tubs and showers.</summary>
    GroundFaultTub,
    /// <summary>In laundry areas.</summary>
    GroundFaultLaundry,
    /// <summary>In damp and wet places indoors.</summary>
    GroundFaultDampIndoors,
    /// <summary>Lighting in crawl spaces.</summary>
    GroundFaultCrawlLight,
    /// <summary>At a dishwasher.</summary>
    GroundFaultDishwasher,
    /// <summary>At appliances that are named.</summary>
    GroundFaultAppliance,
    /// <summary>At hard-wired outlets outdoors.</summary>
    GroundFaultHardWired,
    /// <summary>The branch circuits a dwelling has.</summary>
    BranchCircuitsRequired,
    /// <summary>General circuits enough for the floor area.</summary>
    GeneralCircuits,
    /// <summary>The load is shared evenly among them.</summary>
    EvenCircuits,
    /// <summary>Circuits that are kept for one purpose.</summary>
    NamedCircuits,
    /// <summary>Two or more for the kitchen's receptacles.</summary>
    SmallApplianceCircuits,
    /// <summary>One for the laundry's receptacles.</summary>
    LaundryCircuit,
    /// <summary>One for the receptacles of a utility room.</summary>
    UtilityRoomCircuit,
    /// <summary>One for bathroom receptacles.</summary>
    BathCircuit,
    /// <summary>A circuit of one bathroom may feed all of it.</summary>
    BathCircuitAlone,
    /// <summary>One for the garage's receptacles.</summary>
    GarageCircuit,
    /// <summary>Arc-fault protection.</summary>
    ArcFault,
    /// <summary>The places it is asked in.</summary>
    ArcFaultPlaces,
    /// <summary>A device at the first outlet, and the wire to it.</summary>
    ArcFaultFirstOutlet,
    /// <summary>Conductors carry the load, what is continuous at 125 per cent.</summary>
    BranchConductors,
    /// <summary>Voltage drop that is advised.</summary>
    VoltageDropAdvice,
    /// <summary>The same in short.</summary>
    VoltageDropNote,
    /// <summary>A large range has at least 40 A.</summary>
    RangeConductors,
    /// <summary>The breaker carries what is continuous at 125 per cent.</summary>
    ContinuousLoad,
    /// <summary>Conductors of one motor.</summary>
    MotorConductors,
    /// <summary>What a circuit of 10 A may feed.</summary>
    TenAmperes,
    /// <summary>Heating elements are subdivided.</summary>
    HeaterSubdivision,
    /// <summary>Counters of a kitchen on two circuits, and of no other.</summary>
    CounterCircuits,
    /// <summary>Several fixed heaters on one circuit.</summary>
    SeveralHeaters,
    /// <summary>A motor fastened in place beside other loads.</summary>
    MotorWithOthers,
    /// <summary>A single receptacle is rated as its circuit.</summary>
    SingleReceptacle,
    /// <summary>Ratings of receptacles on a circuit of several.</summary>
    ReceptacleRating,
    /// <summary>The same by its section.</summary>
    ReceptacleRatings,
    /// <summary>What a branch circuit may carry.</summary>
    PermissibleLoads,
    /// <summary>What one of 15 or 20 A may carry.</summary>
    PermissibleFifteenTwenty,
    /// <summary>A receptacle for a machine stands within 6 ft of it.</summary>
    LaundryWithinReach,
    /// <summary>Receptacles a dwelling must have.</summary>
    Receptacles,
    /// <summary>Receptacles above 5-1/2 ft do not count.</summary>
    HighReceptacle,
    /// <summary>Receptacles along walls.</summary>
    WallReceptacles,
    /// <summary>No point of a wall farther than 6 ft from one.</summary>
    WallReach,
    /// <summary>What a wall space is.</summary>
    WallSpace,
    /// <summary>Receptacles of kitchens, dining rooms and pantries.</summary>
    KitchenReceptacles,
    /// <summary>They are on the small-appliance circuits.</summary>
    KitchenOnSmallAppliance,
    /// <summary>A refrigerator may have a circuit of its own.</summary>
    RefrigeratorAlone,
    /// <summary>Those circuits have no other outlets.</summary>
    SmallApplianceOnly,
    /// <summary>Receptacles at counters.</summary>
    CounterReceptacles,
    /// <summary>No point of a counter's wall farther than 24 in from one.</summary>
    CounterReach,
    /// <summary>Receptacles of islands and peninsulas.</summary>
    IslandReceptacles,
    /// <summary>Receptacles of a peninsula.</summary>
    PeninsulaReceptacles,
    /// <summary>A peninsula's receptacle near its outer end.</summary>
    PeninsulaEnd,
    /// <summary>A way for wiring an island's receptacle later.</summary>
    ProvisionAtIsland,
    /// <summary>A disconnect within sight of cooling equipment.</summary>
    EquipmentDisconnect,
    /// <summary>Four wires to ranges and dryers.</summary>
    FourWires,
    /// <summary>How high above a counter.</summary>
    CounterHeight,
    /// <summary>One within 3 ft of a basin.</summary>
    BasinReceptacle,
    /// <summary>One at the front and one at the back.</summary>
    OutdoorReceptacles,
    /// <summary>A receptacle on each balcony, deck and porch that a room leads onto.</summary>
    DeckReceptacle,
    /// <summary>One in the laundry.</summary>
    LaundryReceptacle,
    /// <summary>One for each bay of a garage.</summary>
    GarageReceptacle,
    /// <summary>One in an accessory building.</summary>
    AccessoryReceptacle,
    /// <summary>One in each unfinished part of a basement.</summary>
    BasementReceptacle,
    /// <summary>One in each utility room.</summary>
    UtilityRoomReceptacle,
    /// <summary>One in a hall of 10 ft or more.</summary>
    HallReceptacle,
    /// <summary>Those of a foyer over 60 ft².</summary>
    FoyerReceptacles,
    /// <summary>One within 25 ft of heating and cooling equipment.</summary>
    EquipmentReceptacle,
    /// <summary>Switched lighting in rooms.</summary>
    Lighting,
    /// <summary>Switched lighting at doors, in halls, stairs, garages.</summary>
    LightingAtEntries,
    /// <summary>A light where something is stored or serviced.</summary>
    LightingStorage,
    /// <summary>Conductors of a feeder.</summary>
    FeederConductors,
    /// <summary>A feeder carries what is continuous at 125 per cent.</summary>
    FeederContinuous,
    /// <summary>Continuous load at the service.</summary>
    ServiceContinuous,
    /// <summary>An outlet for one appliance counts at its plate.</summary>
    SpecificAppliance,
    /// <summary>The breaker of a feeder.</summary>
    FeederProtection,
    /// <summary>What counts as floor area.</summary>
    FloorArea,
    /// <summary>The lighting load of a dwelling.</summary>
    LightingLoad,
    /// <summary>Equipment at its nameplate.</summary>
    NameplateLoad,
    /// <summary>180 VA a yoke.</summary>
    YokeLoad,
    /// <summary>What a feeder or service carries.</summary>
    FeederLoads,
    /// <summary>The largest motor at 125 per cent.</summary>
    LargestMotor,
    /// <summary>Space heating at 100 per cent.</summary>
    HeatingLoad,
    /// <summary>1500 VA a small-appliance and laundry circuit.</summary>
    SmallApplianceLoad,
    /// <summary>Demand of lighting and small appliances.</summary>
    LightingDemand,
    /// <summary>Four or more fastened in place at 75 per cent.</summary>
    FourAppliances,
    /// <summary>Demand of dryers.</summary>
    DryerDemand,
    /// <summary>Demand of cooking appliances.</summary>
    CookingDemand,
    /// <summary>Its table.</summary>
    CookingTable,
    /// <summary>The branch circuit of one cooking appliance.</summary>
    CookingBranchCircuit,
    /// <summary>Vehicle equipment at 7200 VA or its nameplate.</summary>
    VehicleLoad,
    /// <summary>Only the larger of what never runs together.</summary>
    NeverTogether,
    /// <summary>What the neutral carries.</summary>
    NeutralLoad,
    /// <summary>The optional method for a dwelling.</summary>
    OptionalMethod,
    /// <summary>What it is open to.</summary>
    OptionalMethodFor,
    /// <summary>Its general loads.</summary>
    OptionalGeneral,
    /// <summary>Air conditioning at 100 per cent.</summary>
    OptionalCooling,
    /// <summary>Heat pumps without supplement at 100 per cent.</summary>
    OptionalHeatPump,
    /// <summary>Heat pumps with their supplement.</summary>
    OptionalSupplement,
    /// <summary>Fewer than four heaters at 65 per cent.</summary>
    OptionalFewHeaters,
    /// <summary>Four or more heaters at 40 per cent.</summary>
    OptionalManyHeaters,
    /// <summary>The optional method for a dwelling that stands.</summary>
    ExistingDwelling,
    /// <summary>Without new heating or cooling.</summary>
    ExistingSameClimate,
    /// <summary>With it.</summary>
    ExistingNewClimate,
    /// <summary>By the highest demand of a year.</summary>
    MeasuredDemand,
    /// <summary>A building has one supply.</summary>
    OneSupply,
    /// <summary>Throws of a building's disconnect.</summary>
    BuildingThrows,
    /// <summary>A building has a disconnect.</summary>
    BuildingDisconnect,
    /// <summary>What that disconnect is rated.</summary>
    BuildingRating,
    /// <summary>Of a building with two circuits or fewer.</summary>
    BuildingOfOneCircuit,
    /// <summary>Of a building with more: at least 60 A.</summary>
    BuildingOfMany,
    /// <summary>Conductors of a service.</summary>
    ServiceConductors,
    /// <summary>A dwelling's service has surge protection.</summary>
    SurgeProtection,
    /// <summary>The smallest service of a dwelling.</summary>
    LeastService,
    /// <summary>Where the service disconnect stands: outdoors, or inside nearest to where the conductors come in.</summary>
    ServiceDisconnectPlace,
    /// <summary>Whoever lives in a dwelling reaches its breakers.</summary>
    OccupantsReach,
    /// <summary>No door from a garage into a bedroom.</summary>
    GarageDoors,
    /// <summary>What passes the separation of a garage is sealed.</summary>
    GarageSeparation,
    /// <summary>A source of power has a circuit of its own.</summary>
    SourceCircuit,
    /// <summary>Main and source on one bus.</summary>
    SourceOnBus,
    /// <summary>A dwelling has a disconnect outdoors.</summary>
    EmergencyDisconnect,
    /// <summary>Surge protection where a feeder supplies a dwelling.</summary>
    DwellingFeederSurge,
    /// <summary>The emergency disconnect of a dwelling behind a feeder from outside.</summary>
    DwellingFeederDisconnect,
    /// <summary>Breakers protect their conductors.</summary>
    ConductorProtection,
    /// <summary>The next standard size up is allowed.</summary>
    NextSizeUp,
    /// <summary>But not with portable receptacles in the plural.</summary>
    NotForReceptacles,
    /// <summary>The breaker of small conductors.</summary>
    SmallConductors,
    /// <summary>Conductors of specific equipment.</summary>
    SpecificProtection,
    /// <summary>Standard ratings of breakers.</summary>
    StandardRatings,
    /// <summary>Breakers that open together.</summary>
    CommonTrip,
    /// <summary>Where in a circuit the breaker stands.</summary>
    WhereProtected,
    /// <summary>Breakers are in reach.</summary>
    BreakerHeight,
    /// <summary>No panel in a clothes closet.</summary>
    NotInClosets,
    /// <summary>No panel in a bathroom.</summary>
    NotInBathrooms,
    /// <summary>No panel over the steps of a stair.</summary>
    NotOverStairs,
    /// <summary>Where a panel may stand.</summary>
    PanelPlaces,
    /// <summary>Grounding at the service.</summary>
    ServiceGrounding,
    /// <summary>Neutral and ground are bonded nowhere beyond the service.</summary>
    NeutralBond,
    /// <summary>The bonding jumper of the service.</summary>
    MainBond,
    /// <summary>How that jumper is made.</summary>
    BondingJumper,
    /// <summary>A building has electrodes of its own.</summary>
    BuildingElectrode,
    /// <summary>Its ground is apart from its neutral.</summary>
    BuildingGround,
    /// <summary>All electrodes there are, are bonded.</summary>
    Electrodes,
    /// <summary>Steel in the footing.</summary>
    FootingSteel,
    /// <summary>A second rod unless 25 ohm were measured.</summary>
    SecondRod,
    /// <summary>A water pipe has a second electrode beside it.</summary>
    WaterPipeSupplement,
    /// <summary>The conductor to the electrodes.</summary>
    ElectrodeConductor,
    /// <summary>The same by its section.</summary>
    ElectrodeConductorTable,
    /// <summary>It need be no larger to rods and footing steel.</summary>
    ElectrodeConductorLimits,
    /// <summary>A bonding point for other systems.</summary>
    IntersystemBonding,
    /// <summary>Metal water pipe is bonded, where it is no electrode.</summary>
    WaterPipeBond,
    /// <summary>Metal gas pipe is bonded.</summary>
    GasPipeBond,
    /// <summary>The equipment grounding conductor.</summary>
    EquipmentGround,
    /// <summary>It grows with conductors that were made larger.</summary>
    GroundGrows,
    /// <summary>Neutral and ground apart beyond the service.</summary>
    NeutralApart,
    /// <summary>Holes stay clear of a member's face.</summary>
    HoleEdge,
    /// <summary>Or a plate covers them.</summary>
    NailPlate,
    /// <summary>What lies in the ground.</summary>
    Burial,
    /// <summary>How deep.</summary>
    BurialCover,
    /// <summary>A pipe in the ground is a wet place.</summary>
    WetBelowGrade,
    /// <summary>Guarded where it comes out of the ground.</summary>
    Emerging,
    /// <summary>Tape over service conductors.</summary>
    WarningTape,
    /// <summary>No joint but in a box.</summary>
    WholeConductors,
    /// <summary>A shared neutral does not depend on a device.</summary>
    PigtailedNeutral,
    /// <summary>6 in of free conductor in a box.</summary>
    FreeConductor,
    /// <summary>A box at every joint.</summary>
    BoxAtJoint,
    /// <summary>Conductors that carry a whole dwelling.</summary>
    DwellingConductors,
    /// <summary>The table of ampacities.</summary>
    AmpacityTable,
    /// <summary>Correction for ambient.</summary>
    AmbientTable,
    /// <summary>Adjustment for conductors together.</summary>
    AdjustmentTable,
    /// <summary>Every cable is held where it enters a cabinet.</summary>
    CableClamps,
    /// <summary>The volume of a box.</summary>
    BoxFill,
    /// <summary>Its conductors.</summary>
    BoxFillConductors,
    /// <summary>Its clamps.</summary>
    BoxFillClamps,
    /// <summary>Its support fittings.</summary>
    BoxFillFittings,
    /// <summary>Its devices.</summary>
    BoxFillYokes,
    /// <summary>Its grounds.</summary>
    BoxFillGrounds,
    /// <summary>How a cable enters a box of plastic.</summary>
    CableAtBox,
    /// <summary>A box stays reachable.</summary>
    BoxReachable,
    /// <summary>Boxes of metal where armored cable enters.</summary>
    MetalBoxes,
    /// <summary>Boxes of metal are grounded.</summary>
    MetalBoxGrounded,
    /// <summary>Ampacity of metal-clad cable.</summary>
    ArmouredAmpacity,
    /// <summary>How metal-clad cable is fastened.</summary>
    ArmouredSupport,

    /// <summary>Disconnect of electric heat with its blower.</summary>
    HeatingDisconnect,

    /// <summary>Disconnect of a motor.</summary>
    MotorDisconnect,

    /// <summary>Boxes for 4 AWG and larger.</summary>
    PullBoxes,

    /// <summary>Boxes in ceilings where a paddle fan may hang.</summary>
    FanBoxes,

    /// <summary>Cable along framing or furring, nearer than 1-1/4 in to its face.</summary>
    CableAlongFurring,

    /// <summary>Pipe where it comes out of the earth.</summary>
    OutOfTheEarth,

    /// <summary>Breakers that are locked off in place of a disconnect in sight.</summary>
    LockedOff,

    /// <summary>Holes in sawn joists.</summary>
    JoistHoles,

    /// <summary>Holes in I-joists and other made members.</summary>
    MadeJoistHoles,

    /// <summary>Holes in studs.</summary>
    StudHoles,

    /// <summary>Roof trusses are never cut or bored.</summary>
    TrussesUncut,

    /// <summary>Cable over the framing of an attic.</summary>
    CableInAttics,

    /// <summary>Several ampacities along one circuit, and what is passed over.</summary>
    ShortStretch,

    /// <summary>Ampacity of service-entrance cable inside.</summary>
    ServiceCableAmpacity,
    /// <summary>Where nonmetallic cable may not be.</summary>
    NotInWet,
    /// <summary>Not in damp or wet places.</summary>
    NotInWetPipe,
    /// <summary>How it is fastened.</summary>
    CableSupport,
    /// <summary>Its ampacity, and cables bundled.</summary>
    CableAmpacity,
    /// <summary>Where underground cable may be.</summary>
    UndergroundUse,
    /// <summary>Its ampacity.</summary>
    UndergroundAmpacity,
    /// <summary>Bends of plastic pipe.</summary>
    PlasticBends,
    /// <summary>Joints in plastic pipe.</summary>
    PlasticJoints,
    /// <summary>Tubing in earth and concrete.</summary>
    TubingInEarth,
    /// <summary>Bends of metal tubing.</summary>
    TubingBends,
    /// <summary>Joints in metal tubing.</summary>
    TubingJoints,
    /// <summary>A neutral at a switch.</summary>
    NeutralAtSwitch,
    /// <summary>How high a switch is.</summary>
    SwitchHeight,
    /// <summary>Receptacles in damp and wet places.</summary>
    DampReceptacle,
    /// <summary>In damp places.</summary>
    DampListed,
    /// <summary>In wet places.</summary>
    WetListed,
    /// <summary>None within 3 ft of a tub or shower.</summary>
    OffTubs,
    /// <summary>No switch in the space of a tub or shower.</summary>
    TubSwitches,
    /// <summary>No fan and nothing that hangs over a tub or shower.</summary>
    TubLights,
    /// <summary>Tamper-resistant receptacles.</summary>
    TamperResistant,
    /// <summary>Those that need not be.</summary>
    TamperException,
    /// <summary>Receptacles for aluminium conductors.</summary>
    AluminiumDevices,
    /// <summary>A receptacle is replaced where a ground is.</summary>
    ReplacedOnGround,
    /// <summary>Where none is.</summary>
    ReplacedWithoutGround,
    /// <summary>Ground-fault protection comes with it.</summary>
    ReplacedGroundFault,
    /// <summary>Arc-fault protection comes with it.</summary>
    ReplacedArcFault,
    /// <summary>It is tamper-resistant.</summary>
    ReplacedTamper,
    /// <summary>It is weather-resistant.</summary>
    ReplacedWeather,
    /// <summary>A ground is brought to it.</summary>
    GroundBrought,
    /// <summary>The directory in the door.</summary>
    Directory,
    /// <summary>What it says of every circuit.</summary>
    CircuitNames,
    /// <summary>The protection of a panel.</summary>
    PanelProtection,
    /// <summary>A back-fed breaker is held down.</summary>
    BackFed,
    /// <summary>Grounding of a panel.</summary>
    PanelGround,
    /// <summary>One neutral to a terminal.</summary>
    OneNeutralToATerminal,
    /// <summary>No more breakers than the panel is listed for.</summary>
    BreakerCount,
    /// <summary>Lights in clothes closets.</summary>
    ClosetLight,
    /// <summary>The breaker of one appliance that is no motor.</summary>
    SingleApplianceBreaker,
    /// <summary>A furnace has a circuit of its own.</summary>
    FurnaceCircuit,
    /// <summary>A storage heater is continuous.</summary>
    WaterHeaterLoad,
    /// <summary>A hood that may become a microwave.</summary>
    HoodCircuit,
    /// <summary>Fixed space heating is continuous.</summary>
    SpaceHeating,
    /// <summary>The least ampacity on a plate.</summary>
    CompressorMinimum,
    /// <summary>The largest breaker on a plate.</summary>
    CompressorBreaker,
    /// <summary>Conductors of a compressor.</summary>
    CompressorConductors,
    /// <summary>Vehicle equipment has a circuit of its own.</summary>
    VehicleCircuit,
    /// <summary>It is continuous.</summary>
    VehicleContinuous,
    /// <summary>A receptacle for it has ground-fault protection.</summary>
    VehicleReceptacle,
    /// <summary>Heating cable in the floor of a bath or a kitchen has ground-fault protection.</summary>
    FloorHeating,
    /// <summary>A hydromassage tub: a circuit of its own, with ground-fault protection.</summary>
    HydromassageTub,
    /// <summary>What is bonded at a hydromassage tub.</summary>
    HydromassageBond,
    /// <summary>The outlet of a hot tub has ground-fault protection.</summary>
    HotTub,
    /// <summary>The disconnect of a hot tub: in sight, and out of reach of who sits in it.</summary>
    HotTubDisconnect,
    /// <summary>The heater of a tub is continuous.</summary>
    HotTubLoad,
    /// <summary>Standby power and the service never together.</summary>
    TransferEquipment,
    /// <summary>Data cable beside power in earth.</summary>
    DataInEarth,
    /// <summary>Low voltage shares no box and no cable with power.</summary>
    LowVoltageBoxes,
    /// <summary>Low voltage keeps its distance from conductors of power.</summary>
    LowVoltageFromPower,
    /// <summary>Glass without metal may lie with power.</summary>
    FibreWithPower,
    /// <summary>What an individual branch circuit is.</summary>
    IndividualDefined,
    /// <summary>Smoke alarms, of the residential code.</summary>
    SmokeAlarms,
    /// <summary>How far smoke alarms keep from cooking and from the doors of baths.</summary>
    AlarmPlaces,
    /// <summary>Carbon monoxide alarms, of the residential code.</summary>
    CarbonMonoxideAlarms,
    /// <summary>Outlets on one general circuit: a number of the crew's or of a local authority's, not of the model code.</summary>
    OutletCap,
    /// <summary>What is drawn and runs on electricity has an outlet: a practice of the crew's.</summary>
    DrawnAppliance,
    /// <summary>Resistance and area of conductors.</summary>
    ConductorProperties,
    /// <summary>Areas of insulated conductors.</summary>
    ConductorAreas,
    /// <summary>Areas of pipes.</summary>
    PipeAreas,
    /// <summary>The share of a pipe that may be filled.</summary>
    PipeFill,
    /// <summary>Three conductors that may wedge.</summary>
    PipeJam,
    /// <summary>A cable in a pipe counts by its width.</summary>
    PipeOneCable,
    /// <summary>Carbon monoxide, as the residential code asks for its alarms.</summary>
    CarbonMonoxide,
    /// <summary>Dwellings that carbon monoxide alarms are asked in, of the residential code.</summary>
    CarbonMonoxideWhere,
    /// <summary>Holes between stories are closed, of the residential code.</summary>
    FireBlocking,
    /// <summary>How far a box may stand behind the finished face.</summary>
    BoxFlush,
    /// <summary>Grounding conductors of a box are joined.</summary>
    GroundsJoined,

    /// <summary>Neighboring receptacles at a counter are on different circuits.</summary>
    CounterNeighbors,

    /// <summary>How much of the supply's volts may be lost, where that is a rule.</summary>
    VoltageDropLimit,

    /// <summary>A dwelling's load by its floor area.</summary>
    DwellingArea,

    /// <summary>Heat and air conditioning in it.</summary>
    DwellingClimate,

    /// <summary>Its range.</summary>
    DwellingRange,

    /// <summary>Charging of vehicles in it.</summary>
    DwellingVehicle,
    /// <summary>What heats water while it runs, and the water of pools and tubs, in it.</summary>
    DwellingWaterAtOnce,

    /// <summary>Other loads in it.</summary>
    DwellingOthers,

    /// <summary>The least load that a dwelling is taken for.</summary>
    DwellingLeast,
}
