<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Bench\ChoiceCard;
use App\Logbook\Cards;
use App\Logbook\Kind;
use App\Logbook\Row;
use Ash\Capacitors\PartVerdict;
use Ash\Document\Node;
use Ash\Isolation\LibraryCause;
use Ash\Isolation\ShopHistory;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** What cured a symptom before, and which parts of a kind fail most. */
final readonly class HistoryController
{
    private const PARTS = 20;

    #[OA\Get(path: '/history', operationId: 'showHistory', tags: ['isolation'], parameters: [
        new OA\QueryParameter(name: 'symptom', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'kind', description: 'of machine', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'counted over the closed jobs', content: new OA\JsonContent(ref: HistoryPage::class))])]
    public function show(Request $request): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('symptom', 'kind');
        $named = $query->filled('symptom');
        $symptom = $named === null ? null : Library::symptom($named->string()) ?? $named->refuse('is not in the library');
        $asked = $query->filled('kind');
        $kind = $asked === null ? null : Kind::query()->find(strtolower($asked->string())) ?? $asked->refuse('is no kind of machine here');
        $history = $symptom === null ? null : FoundCauses::of($symptom->id, $kind?->id);

        return new JsonResponse(new HistoryPage(
            array_map(static fn (array $it): ChoiceCard => new ChoiceCard($it[0], $it[1]), Library::names()),
            $history === null ? [] : self::causes($history, $symptom->causes),
            match (true) {
                $history === null => null,
                $history->total === 0 => 'No closed job of this shop had this symptom and named its cause.',
                default => "{$history->total} closed ".($history->total === 1 ? 'job' : 'jobs')
                    .($history->ofKind ? ' of this kind of machine' : ' of all kinds of machines'),
            },
            $kind === null ? [] : self::parts($kind->id),
        ));
    }

    /**
     * @param array<string, LibraryCause> $causes
     *
     * @return list<CuredRow> what it was most often first
     */
    private static function causes(ShopHistory $history, array $causes): array
    {
        $counts = $history->counts;
        arsort($counts);
        $rows = [];
        foreach (array_keys($counts) as $cause) {
            $alone = $history->alone($cause);
            $alone === null || $rows[] = new CuredRow(
                isset($causes[$cause]) ? $causes[$cause]->words() : strtr(substr($cause, 1), '_', ' '),
                $alone[0], Cards::percent($alone[1]), Cards::percent($alone[2]).' to '.Cards::percent($alone[3]),
            );
        }

        return $rows;
    }

    /** @return list<FailingPart> tested capacitors of all boards of a kind, what failed most often first */
    private static function parts(string $kind): array
    {
        $rows = DB::table('capacitor_tests')
            ->join('boards', 'boards.id', '=', 'capacitor_tests.board_id')
            ->join('machines', 'machines.id', '=', 'boards.machine_id')
            ->where('machines.kind_id', $kind)->where('capacitor_tests.current', true)->groupBy('boards.slot', 'cap_key')
            ->select('boards.slot', 'cap_key')->selectRaw('COUNT(*) AS tested, SUM(verdict = ?) AS bad', [PartVerdict::Replace->value])
            ->havingRaw('bad > 0')->orderByDesc('bad')->orderBy('tested')->orderBy('cap_key')->limit(self::PARTS)->get();

        return array_values(array_map(static function (object $it): FailingPart {
            $row = new Row($it);
            $of = ShopHistory::share95($row->int('bad'), $row->int('tested'));

            return new FailingPart(
                $row->string('cap_key'), $row->string('slot'), $row->int('bad'), $row->int('tested'), Cards::percent($of[0]).' to '.Cards::percent($of[1]),
            );
        }, $rows->all()));
    }
}
