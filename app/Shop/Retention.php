<?php

declare(strict_types=1);

namespace Elmstone\Shop;

/**
 * How many days is kept what need not be kept for ever; as the program ships, until the shop sets it otherwise. What is
 * posted is always kept. Common practice, no source.
 */
final class Retention
{
    /** By what it is: its words, the days it is kept as shipped, the fewest and the most. */
    public const KINDS = [
        'outbox' => ['Papers and mails that went, in the list of what waits', 30, 1, 3_650],
        'printed_papers' => ['What the stand-in printer printed', 30, 1, 3_650],
        'sent_mails' => ['Mails as they were sent', 90, 1, 3_650],
        'mail_history' => ['That a customer was sent something, and when', 1_100, 30, 7_300],
        'terminal_requests' => ['What the card terminal was asked', 400, 180, 3_650],
        'slip_acts' => ['Each act on a slip, once it is posted or cleared', 30, 1, 3_650],
        'works' => ['What was done beside the pages, and what came of it', 90, 1, 3_650],
        'pin_tries' => ['Wrong PINs, for counting them', 2, 1, 90],
    ];

    public function __construct(private readonly House $house)
    {
    }

    /** @param  key-of<self::KINDS>  $kind */
    public function days(string $kind): int
    {
        return $this->house->shop()->retention[$kind] ?? self::KINDS[$kind][1];
    }
}
