<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Books\DocumentKind;
use Elmstone\Counter\Parts\LayawayPart;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Layaways\CompleteLayaway;

/** The goods of layaways that are paid off leave, each with its invoice. */
final readonly class HandOver extends Step
{
    public function __construct(private CompleteLayaway $complete)
    {
    }

    public function kinds(ReckonedCounter $reckoned): array
    {
        return self::leaving($reckoned->slip) === [] ? [] : [DocumentKind::Invoice];
    }

    public function post(SlipPosting $posting): void
    {
        foreach (self::leaving($posting->slip()) as $part) {
            $posting->handedOver[] = $this->complete->post(
                $posting->slip()->paidOn[$part->layawayId],
                $posting->at(),
            );
        }
    }

    /** @return array<int, LayawayPart> */
    private static function leaving(Slip $slip): array
    {
        return array_filter($slip->layawayParts(), static fn (LayawayPart $part): bool => $part->leaves === true);
    }
}
