<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Books\DocumentApprovals;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Slip\ReturnOnSlip;

/**
 * What was approved on a slip is kept, each with the document it was needed for; of what became a layaway with its
 * receipt. In the posting.
 */
final readonly class KeepApprovals extends Step
{
    public function post(SlipPosting $posting): void
    {
        $reckoned = $posting->reckoned;
        $in = $posting->sale ?? $posting->receipt ?? $posting->handedOver[0] ?? null;
        [$out, $back] = [[], []];
        $lines = array_flip(
            array_values($reckoned->slip->lines->map(static fn (LineOnSlip $line): int => $line->id)->all()),
        );
        $returns = array_flip(
            array_values($reckoned->slip->returns->map(static fn (ReturnOnSlip $line): int => $line->id)->all()),
        );

        foreach ($reckoned->needs->kept() as [$place, $need, $approval]) {
            [$what, $id] = [...explode('.', $place), '0'];
            $isBack = in_array($what, ['back', 'refund'], true);
            $place = match (true) {
                $what === 'line' && isset($lines[(int) $id]) => 'line:'.($lines[(int) $id] + 1),
                $what === 'back' && isset($returns[(int) $id]) => 'line:'.($returns[(int) $id] + 1),
                default => $place,
            };
            $isBack ? ($back[] = [$place, $need, $approval]) : ($out[] = [$place, $need, $approval]);
        }

        $in === null || DocumentApprovals::keep($in, $out);
        $posting->credit === null || DocumentApprovals::keep($posting->credit, $back);
    }
}
