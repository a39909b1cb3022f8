<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Paper\Annotates;
use Elmstone\Paper\PaperNote;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/** Points of a sale, those before and after it, and the reward it filled: as of the document, so that it stays so. */
final class RewardsOnPaper implements Annotates
{
    public function place(): int
    {
        return 3;
    }

    public function notes(Document $document, bool $copy): array
    {
        $own = DB::table('reward_entries')
            ->where('document_id', $document->id)
            ->whereIn('kind', ['earned', 'back'])
            ->orderBy('id')
            ->get(['id', 'customer_id', 'points']);
        $first = $own->first();

        if ($first === null) {
            return [];
        }

        $before = (int) DB::table('reward_entries')
            ->where('customer_id', $first->customer_id)
            ->where('id', '<', $first->id)
            ->sum('points');
        $points = (int) $own->sum('points');
        $turned = self::turned($document);
        $rows = [
            ['Points before', number_format($before)],
            [$points < 0 ? 'Taken back' : 'Collected', number_format(abs($points))],
            ...$turned === null ? [] : [['Became store credit', $turned[0]]],
            ['Points now', number_format($before + $points + ($turned[1] ?? 0))],
        ];

        return [new PaperNote('Rewards', $rows)];
    }

    /** @return array{string, int}|null the reward, and what it took of the points */
    private static function turned(Document $sale): ?array
    {
        $reward = Document::query()
            ->where('refers_to_id', $sale->id)
            ->where('purpose', Purpose::Reward)
            ->first();

        return $reward === null ? null : [
            Show::money($reward->total),
            (int) DB::table('reward_entries')->where('document_id', $reward->id)->value('points'),
        ];
    }
}
