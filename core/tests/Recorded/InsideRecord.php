<?php

declare(strict_types=1);

namespace Ash\Tests\Recorded;

use Ash\Batteries\ClockRead;
use Ash\Batteries\Retention;
use Ash\Capacitors\CapacitorRead;
use Ash\Capacitors\Part;
use Ash\Corrosion\ContinuityRead;
use Ash\Corrosion\Surveyed;
use Ash\Corrosion\SurveyPlace;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Facts\Band;
use Ash\Facts\BandChosen;
use Ash\Facts\Facts;
use Ash\Isolation\LibraryChange;
use Ash\Isolation\LibrarySymptom;
use Ash\Isolation\SwapTried;
use Ash\Logbook\EntryData;
use Ash\Logbook\Stage;
use Ash\Logbook\StageFollows;
use Ash\Logbook\UnclearLine;
use Ash\Logbook\UnreadEntry;
use Ash\Memory\ChipsExchanged;
use Ash\Memory\Counted;
use Ash\Memory\DateCodesRead;
use Ash\Memory\DescribedMemories;
use Ash\Memory\Fit;
use Ash\Memory\FitAsked;
use Ash\Memory\FittedMemory;
use Ash\Memory\Pattern;
use Ash\Memory\Seen;
use Ash\Memory\SoakKept;
use Ash\Quantity\UnreadableQuantity;
use Ash\Rails\DescribedRails;
use Ash\Rails\Judgement;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\Rail;
use Ash\Rails\RailsJudged;
use Ash\Rails\ReadingTaken;
use Ash\Rooms;
use Ash\Tests\House;

/** What the application asks of the core while an entry is completed, kept, brought from elsewhere, and learned from. */
final readonly class InsideRecord
{
    private const DAY = '2026-03-01T09:00:00Z';

    /** @return array<string, \Closure(Node): mixed> */
    public static function verbs(): array
    {
        return [
            'call' => self::call(...),
            'kept' => self::kept(...),
            'learned' => self::learned(...),
            'described' => self::described(...),
            'run' => self::run(...),
            'capacitor' => static fn (Node $asked): mixed => self::said(self::entry(CapacitorRead::class, $asked->at('read'))->judged(
                Part::read($asked->at('part')),
                $asked->optional('rail_v')?->number(),
                $asked->optional('year')?->integer(),
                $asked->optional('meter')?->text(),
            )),
            'clock' => static function (Node $asked): mixed {
                $read = self::entry(ClockRead::class, $asked->at('read'));

                return self::said($read->judged(Retention::since($asked->at('set')->instant(), $read)));
            },
            'surveyed' => self::surveyed(...),
            'memories' => self::memories(...),
            'fit' => static function (Node $asked): mixed {
                $it = Shape::of(FitAsked::class)->read($asked);

                return Fit::asked($it)->pins($it->fitted, $it->candidate);
            },
            'library' => static function (Node $asked): mixed {
                $it = LibraryChange::of($asked->at('now'), $asked->has('before') ? LibrarySymptom::read($asked->at('before')) : null);

                return [$it->odd, $it->causes, $it->tests, $it->document, $it->symptom->weights() === [] ? 0 : count($it->symptom->weights())];
            },
            'posterior' => static fn (Node $asked): mixed => array_map(static fn (float $p): float => round($p, 12), array_values(
                LibrarySymptom::read($asked->at('symptom'))->posterior(
                    array_combine(
                        array_map(static fn (string $id): string => "\0{$id}", array_keys($asked->at('results')->members())),
                        array_map(static fn (Node $it): string => $it->string(), array_values($asked->at('results')->members())),
                    ),
                    array_map(static fn (Node $it): SwapTried => self::entry(SwapTried::class, $it), $asked->optional('runs')?->items() ?? []),
                ),
            )),
            'stage' => static fn (Node $asked): mixed => array_map(static fn (Stage $now): array => array_map(
                static fn (bool $closed): ?Stage => StageFollows::to($now, Rooms::hall()->kinds->all[$asked->at('kind')->string()], $closed),
                [false, true],
            ), Stage::cases()),
        ];
    }

    /** A function of the core by its name, and what its answer says of itself. */
    private static function call(Node $asked): mixed
    {
        try {
            $answer = self::answered($asked);
        } catch (\Error|\LogicException|InvalidDocument|UnclearLine|UnreadableQuantity $fault) {
            return [$fault::class, $fault instanceof \Error ? null : $fault->getMessage()];
        }

        if ($answer instanceof \Throwable) {
            return [$answer::class, $answer->getMessage()];
        }

        return is_object($answer) ? [$answer::class, $answer instanceof \UnitEnum ? $answer->name : $answer, self::says($answer)] : $answer;
    }

    /** @throws \Throwable what the function throws */
    private static function answered(Node $asked): mixed
    {
        [$class, $name] = explode('::', $asked->at('of')->string());
        $class = "Ash\\{$class}";
        $function = $name === 'new' ? null : new \ReflectionMethod($class, $name);
        $with = [];
        foreach ($asked->at('with')->items() as $i => $it) {
            $with[] = self::value($it, ltrim((string) ($function?->getParameters()[$i] ?? null)?->getType(), '?'));
        }
        if ($function === null) {
            return new $class(...$with);
        }
        $on = $asked->has('on') ? self::value($asked->at('on'), $class) : ($function->isStatic() ? null : $class::from($asked->at('case')->raw()));

        return $function->invokeArgs($on, $with);
    }

    /** A plain value, the case of an enumeration, what is read from a document, a list or map of such, or what a function answers. */
    private static function value(Node $it, string $type = ''): mixed
    {
        $raw = $it->raw();
        $class = $it->raw() instanceof \stdClass && $it->has('is') ? "Ash\\{$it->at('is')->string()}" : '';

        return match (true) {
            is_subclass_of($type, \BackedEnum::class) && (is_int($raw) || is_string($raw)) => $type::from($raw),
            is_array($raw) => array_map(self::value(...), $it->items()),
            !$raw instanceof \stdClass => $raw,
            $it->has('map') => array_map(self::value(...), $it->at('map')->members()),
            $it->has('at') => array_reduce(
                (array) $it->at('at')->raw(),
                static fn (mixed $of, int|string $key): mixed => is_object($of) ? $of->{$key} : ((array) $of)[$key],
                self::value($it->at('on')),
            ),
            $it->has('day') => $it->at('day')->instant(),
            $it->has('node') => Node::of($it->at('node')->raw()),
            $it->has('raw') => $it->at('raw')->raw(),
            $class === '' => self::answered($it),
            $it->has('case') => constant("{$class}::{$it->at('case')->string()}"),
            is_subclass_of($class, EntryData::class) || !method_exists($class, 'read') => Shape::of($class)->read($it->at('doc')),
            default => $class::read($it->at('doc')),
        };
    }

    /** What was kept, brought from another workshop and taken up again. */
    private static function kept(Node $asked): mixed
    {
        $kinds = Rooms::hall()->kinds;
        $kind = $asked->at('kind')->string();
        $stored = $kinds->stored($kind, $asked->has('json') ? $asked->at('json')->string() : json_encode($asked->at('data')->raw(), JSON_THROW_ON_ERROR));
        $brought = $asked->has('json') ? null : $kinds->brought($kind, $asked->at('data'));
        $says = static fn (?EntryData $it): mixed => $it === null
            ? null
            : [$it::class, $kinds->write($kind, $it), $kinds->sentence($kind, 'as it was said', $it), $kinds->sentence($kind, '', $it), self::said($it)];

        return [$says($stored), $brought == $stored ? 'the same' : $says($brought)];
    }

    /** A description after each of some entries, and what it says then. */
    private static function learned(Node $asked): mixed
    {
        $sections = Rooms::hall()->sections;
        $document = $asked->at('profile')->object();
        $steps = [];
        foreach ($asked->at('entries')->items() as $it) {
            $data = $it->has('line') ? House::draft([
                'id' => '01HZY3G0000000000000000001', 'at' => self::DAY, 'line' => $it->at('line')->string(),
            ])->data : Rooms::hall()->kinds->read(Rooms::hall()->kinds->all[$it->at('kind')->string()], $it->at('data'));
            $taught = $sections->learned($document, $data);
            $document = $taught ?? $document;
            $steps[] = [$sections->teaches($data), $taught, $sections->words($sections->read(Node::of($document)))];
        }

        return $steps;
    }

    /** What a description is asked for. */
    private static function described(Node $asked): mixed
    {
        $profile = Rooms::hall()->profile($asked->at('profile'));
        $rails = $profile->section(DescribedRails::class);
        $name = $asked->optional('rail')?->string() ?? '';
        $chosen = array_map(
            static fn (Node $it): BandChosen => new BandChosen($it->at('rail')->string(), $it->at('band')->enum(Band::class), 'it runs'),
            $asked->optional('bands')?->items() ?? [],
        );
        $point = $asked->optional('point')?->string() ?? '';

        return [Rooms::hall()->sections->words($profile), $rails === null ? null : [
            $rails->rail($name), $rails->source($name), $rails->testPoint($name, $point), array_values($rails->within(new Facts(...$chosen))),
            DescribedRails::band(new Facts(...$chosen), $name), $rails->protects(), $rails->railNames(), $rails->nominalV($name),
        ], $profile->section(DescribedMemories::class)?->memory($asked->optional('memory')?->string() ?? 'main')?->name];
    }

    /** Readings of a rail run as they are kept, and what the run answers. */
    private static function run(Node $asked): mixed
    {
        $rails = Rail::readAll($asked->at('rails'));
        $taken = array_map(static fn (Node $it): ReadingTaken => self::entry(ReadingTaken::class, $it), $asked->at('readings')->items());
        $judged = Judgement::of($rails, MeterAccuracy::of(0.5, 2, 0.01), array_map(static fn (ReadingTaken $it) => $it->reading(null), $taken));
        $kept = [];
        foreach ($judged->standing->all as $i => $it) {
            $kept[] = self::said($taken[$i]->judged($it, Band::Tight, 'a meter'));
        }

        return [$kept, (new RailsJudged($judged, new \DateTimeImmutable(self::DAY)))->answers()];
    }

    private static function surveyed(Node $asked): mixed
    {
        $places = array_map(static fn (Node $it): SurveyPlace => self::entry(SurveyPlace::class, $it), $asked->at('places')->items());
        $read = [];
        foreach ($asked->at('readings')->members() as $place => $it) {
            $read[$place] = self::entry(ContinuityRead::class, $it)->judgedAt($places[(int) $place] ?? $it->refuse('is of no place'));
        }

        return [array_map(self::said(...), array_values($read)), Surveyed::answers($places, $read)];
    }

    private static function memories(Node $asked): mixed
    {
        $memory = FittedMemory::read($asked->at('memory'));
        $counts = static fn (Node $node): array => array_map(
            static fn (Node $bits): array => array_map(static fn (Node $it): int => $it->integer(), $bits->members()),
            $node->members(),
        );
        $seen = $asked->has('matrix') ? Seen::kept($memory->map, $counts($asked->at('matrix'))) : null;
        $soak = $asked->has('soak') ? self::entry(SoakKept::class, $asked->at('soak')) : null;

        return [
            $asked->has('said') ? Counted::read($asked->at('said')->string())?->against($memory) : null,
            $seen === null
                ? null
                : [$seen->byBank(), array_map(static fn (int|string $ref): int => $seen->on(ltrim((string) $ref, "\0")), array_keys($memory->map->byRef))],
            $asked->has('codes') ? self::said((new DateCodesRead($memory->key, $asked->at('codes')->string()))->understood($memory)) : null,
            $asked->has('swap') ? self::said(self::entry(ChipsExchanged::class, $asked->at('swap'))->predicted($memory, 'the fault moves')) : null,
            $soak === null ? null : self::said(($soak->source === null ? $soak : $soak->counted($memory, Pattern::None, 400, 3, null))->bounded()),
        ];
    }

    /**
     * @template T of EntryData
     *
     * @param class-string<T> $class
     *
     * @return T
     */
    private static function entry(string $class, Node $node): EntryData
    {
        return Shape::of($class)->read($node);
    }

    /** An entry's data as it is stored, and what each of its methods that want nothing says. */
    private static function said(EntryData $it): mixed
    {
        return [$it instanceof UnreadEntry ? null : Shape::of($it::class)->write($it), $it->sentence(''), self::says($it)];
    }

    /** @return array<string, mixed> */
    private static function says(object $it): array
    {
        $says = [];
        foreach ((new \ReflectionClass($it))->getMethods(\ReflectionMethod::IS_PUBLIC) as $method) {
            if (!$method->isStatic() && $method->getNumberOfParameters() === 0) {
                try {
                    $says[$method->name] = $method->invoke($it);
                } catch (\Error|\LogicException|InvalidDocument $none) {
                    $says[$method->name] = $none::class;
                }
            }
        }

        return $says;
    }
}
