<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreementChange;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/** What becomes of a quote: won with what it became, lost with a reason, or asked after on another day. */
final class EndQuote
{
    /** Why quotes are lost, as people say; another reason is typed. */
    public const REASONS = ['price', 'took too long', 'bought elsewhere', 'job is off', 'only asked'];

    /** Inside the posting of what it became, locked. */
    public function won(Quote $quote, string $became, Staff $by): void
    {
        if ($quote->isOpen()) {
            $quote
                ->forceFill([
                    'state' => QuoteState::Won,
                    'ended_on' => ShopTime::today(),
                    'ended_why' => mb_substr($became, 0, 200),
                    'version' => $quote->version + 1,
                ])
                ->save();
            self::record($quote, $by, "Taken up: {$became}");
        }
    }

    /** @throws Refused reason_missing, not_open */
    public function lost(int $id, string $reason, Staff $by): Quote
    {
        $reason === '' && throw Refused::because('reason_missing', 'Say why it was lost: the reason is counted.');

        return DB::transaction(static function () use ($id, $reason, $by): Quote {
            $quote = self::open($id);
            $quote
                ->forceFill([
                    'state' => QuoteState::Lost,
                    'ended_on' => ShopTime::today(),
                    'ended_why' => mb_substr($reason, 0, 200),
                    'version' => $quote->version + 1,
                ])
                ->save();
            self::record($quote, $by, "Lost: {$reason}");

            return $quote;
        }, 3);
    }

    /**
     * It is asked after again on another day, or holds longer.
     *
     * @throws Refused not_open, follow_up_past, valid_past
     */
    public function later(
        int $id,
        ?CarbonImmutable $followUp,
        CarbonImmutable $validUntil,
        string $said,
        Staff $by,
    ): Quote {
        return DB::transaction(static function () use ($id, $followUp, $validUntil, $said, $by): Quote {
            $quote = self::open($id);
            $today = ShopTime::today();
            $isLonger = $validUntil->format('Y-m-d') !== $quote->valid_until->format('Y-m-d');

            match (true) {
                $followUp !== null && $followUp < $today => throw Refused::because(
                    'follow_up_past',
                    'The day to ask after it is past.',
                ),
                $isLonger && $validUntil < $today => throw Refused::because(
                    'valid_past',
                    'The day its prices hold until is past.',
                ),
                default => null,
            };
            $words = array_filter([
                $said,
                $followUp === null ? '' : 'ask again on '.$followUp->format('j M Y'),
                $isLonger ? 'holds until '.$validUntil->format('j M Y') : '',
            ], static fn (string $one): bool => $one !== '');
            $quote
                ->forceFill([
                    'follow_up_on' => $followUp,
                    'valid_until' => $validUntil,
                    'version' => $quote->version + 1,
                ])
                ->save();
            $words === [] || self::record($quote, $by, ucfirst(implode('; ', $words)));

            return $quote;
        }, 3);
    }

    private static function open(int $id): Quote
    {
        $quote = Quote::lock($id);

        return $quote->isOpen()
            ? $quote
            : throw Refused::because('not_open', "{$quote->label} is {$quote->state->value} already.");
    }

    private static function record(Quote $quote, Staff $by, string $what): void
    {
        AgreementChange::query()->create([
            'agreement_id' => $quote->id,
            'staff_id' => $by->id,
            'what' => mb_substr($what, 0, 500),
            'total_before' => $quote->total,
            'total_after' => $quote->total,
            'revision' => $quote->revision,
            'made_at' => now(),
        ]);
    }
}
