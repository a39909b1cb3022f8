<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Elmstone\Books\Document;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Support\InTheMorning;
use Illuminate\Support\Facades\DB;

/**
 * Two sales at the same moment can fill a threshold together while neither sees the other's points: what was left so is
 * given by the next sale, at the latest the next morning.
 */
final readonly class FillRewards implements InTheMorning
{
    public function __construct(private RewardTerms $terms)
    {
    }

    public function ofToday(): void
    {
        $programme = $this->terms->programme();
        $full = $programme === null ? [] : DB::table('reward_entries as e')
            ->groupBy('e.customer_id')
            ->havingRaw('SUM(e.points) >= ?', [$programme->threshold])
            ->selectRaw("e.customer_id, MAX(IF(e.kind = 'earned', e.document_id, NULL)) AS sale")
            ->get()
            ->all();

        foreach ($full as $row) {
            $sale = Document::query()->whereKey($row->sale)->first();
            $programme === null || $sale === null || DB::transaction(static fn () => GrantRewards::whereFull(
                $programme, (int) $row->customer_id, $sale->id, PostedAt::stored($sale),
            ));
        }
    }
}
