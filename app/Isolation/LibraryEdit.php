<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Http\Once;
use App\Http\Refused;
use App\Logbook\Entry;
use App\Logbook\Job;
use Ash\Document\Node;
use Ash\Isolation\LibraryChange;
use Ash\Isolation\SymptomChosen;
use Ash\Isolation\SymptomLibrary;
use Ash\Isolation\TestDone;
use Illuminate\Support\Facades\DB;

/** A file of symptoms that is to count from now on: kept whole, as a revision of each symptom that it changes, or refused whole. */
final readonly class LibraryEdit
{
    /** A whole number is one whether it was written with a point or without. */
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE;

    /** @param ?int $over the revision that was edited */
    public static function made(Node $file, string $why, string $who, bool $normalise, ?int $over): LibraryChanged
    {
        SymptomLibrary::read($file);

        return Once::transaction(static function () use ($file, $why, $who, $normalise, $over): LibraryChanged {
            $changed = $evened = $faults = [];
            $same = 0;
            // Locked before anything is read: what is read afterwards is as the last change left it.
            $revisions = array_map(static fn (Node $it): int => self::locked($it->at('id')->string()), $file->at('symptoms')->items());
            $uses = self::inUse();
            foreach ($file->at('symptoms')->items() as $place => $node) {
                $id = $node->at('id')->string();
                $revision = $revisions[$place];
                if ($over !== null && $over !== $revision) {
                    throw new Refused([['pointer' => '/over', 'detail' => "this symptom was changed meanwhile: it stands at revision {$revision}"]], 409);
                }
                $change = LibraryChange::of($node, Library::symptom($id));
                $normalise || array_push($faults, ...array_map(
                    static fn (string $pointer, float $sum): array => [
                        'pointer' => $pointer,
                        'detail' => sprintf('sums to %.4g, not to 1: mend it, or say that it is to be made to', $sum),
                    ],
                    array_keys($change->odd),
                    $change->odd,
                ));
                array_push($faults, ...self::taken($node, $change, $uses["\0{$id}"] ?? []));
                $text = json_encode($change->document, self::FLAGS);
                if ($text === json_encode(Library::document($id)?->object(), self::FLAGS)) {
                    ++$same;
                    continue;
                }
                $changed[] = $id;
                array_push($evened, ...array_keys($change->odd));
                DB::table('library_revisions')->insert([
                    'symptom' => $id, 'revision' => $revision + 1, 'name' => $change->symptom->name, 'document' => $text,
                    'author' => $who, 'why' => $why, 'created_at' => now()->format('Y-m-d H:i:s.v'),
                ]);
            }
            $faults === [] || throw new Refused($faults);

            return new LibraryChanged($changed, $same, $evened);
        });
    }

    private static function locked(string $id): int
    {
        $it = DB::table('library_revisions')->where('symptom', $id)->lockForUpdate()->max('revision');

        return is_numeric($it) ? (int) $it : 0;
    }

    /**
     * Open jobs are not left with a symptom that lost one of their suspects, or a test that they have made.
     *
     * @param list<array{string, array<string, true>}> $jobs label and tests made, behind a NUL
     *
     * @return list<array{pointer: string, detail: string}>
     */
    private static function taken(Node $node, LibraryChange $change, array $jobs): array
    {
        $faults = [];
        $names = implode(', ', array_map(static fn (array $it): string => $it[0], $jobs));
        $which = count($jobs) === 1 ? 'is an open job' : 'are open jobs';
        foreach ($jobs === [] ? [] : $change->causes as $cause) {
            $faults[] = ['pointer' => $node->at('causes')->pointer, 'detail' => "\"{$cause}\" would go, and {$names} {$which} that it is a suspect of"];
        }
        foreach ($change->tests as $test) {
            foreach ($jobs as [$label, $made]) {
                isset($made["\0{$test}"])
                    && $faults[] = ['pointer' => $node->at('tests')->pointer, 'detail' => "\"{$test}\" would lose what {$label} has made of it"];
            }
        }

        return $faults;
    }

    /** @return array<string, list<array{string, array<string, true>}>> open jobs by the symptom they chose last, behind a NUL */
    private static function inUse(): array
    {
        $open = Job::query()->where('state', 'open')->get(['id', 'number'])->keyBy('id');
        $symptom = $made = [];
        foreach (Entry::standing(SymptomChosen::KIND)->whereIn('job_id', $open->keys())->orderBy('at')->orderBy('id')->get() as $it) {
            $symptom[$it->job_id] = $it->as(SymptomChosen::class)->symptom ?? '';
        }
        foreach (Entry::standing(TestDone::KIND)->whereIn('job_id', array_keys($symptom))->get() as $it) {
            $test = $it->as(TestDone::class);
            $test === null || $made[$it->job_id]["\0{$test->symptom}"]["\0{$test->test}"] = true;
        }
        $uses = [];
        foreach ($symptom as $job => $id) {
            $uses["\0{$id}"][] = [$open[$job]->label(), $made[$job]["\0{$id}"] ?? []];
        }

        return $uses;
    }
}
