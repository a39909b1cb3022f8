<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/** Blocks a card, replaces a lost one, extends one: each is on record. What it is worth stays. */
final class LookAfterCards
{
    public function __construct(private readonly GiftCardLedger $ledger)
    {
    }

    public function block(GiftCard $card, bool $blocked, string $reason, Staff $by): void
    {
        $this->change($card, $reason, $by, static function (GiftCard $card) use ($blocked): string {
            $card->forceFill(['blocked' => $blocked])->save();

            return $blocked ? 'Blocked' : 'Let go again';
        });
    }

    /**
     * The number that was lost never counts again.
     *
     * @param  CardCode|null  $code printed on the new card; null: one is drawn
     *
     * @throws Refused card_code_taken, reason_missing
     */
    public function replace(GiftCard $card, ?CardCode $code, string $reason, Staff $by): CardCode
    {
        $code ??= GiftCardLedger::drawn();
        $this->change($card, $reason, $by, static function (GiftCard $card) use ($code): string {
            GiftCards::isFree($code)
                || throw Refused::because(
                    'card_code_taken',
                    "Gift card {$code->masked()} is in use already. Take another card.",
                );
            $lost = $card->masked();
            DB::table('gift_card_codes')
                ->where('code', $card->code)
                ->update(['counts' => false]);
            GiftCardLedger::keepCode($code, $card->id);
            $card->forceFill(['code' => KeptCode::of($code), 'number' => null, 'blocked' => false])->save();

            return "{$lost} replaced by {$code->masked()}";
        });

        return $code;
    }

    public function extend(GiftCard $card, CarbonImmutable $until, string $reason, Staff $by): void
    {
        $until->greaterThanOrEqualTo(ShopTime::today())
            || throw Refused::because('bad_date', 'A card is extended to a day that is still to come.');
        $this->change($card, $reason, $by, static function (GiftCard $card) use ($until): string {
            $card->forceFill(['expires_on' => $until->format('Y-m-d')])->save();

            return 'Good until '.Show::date($until);
        });
    }

    /** @param  Closure(GiftCard): string  $do says what was done */
    private function change(GiftCard $card, string $reason, Staff $by, Closure $do): void
    {
        if (trim($reason) === '') {
            throw Refused::because('reason_missing', 'Say why: the reason is kept.');
        }

        DB::transaction(function () use ($card, $reason, $by, $do): void {
            $locked = $this->ledger->lockAll([$card->code])->get($card->code)
                ?? throw Refused::because('changed_elsewhere', 'Somebody has changed this card meanwhile. Look again.');
            GiftCardChange::query()->create([
                'gift_card_id' => $locked->id,
                'staff_id' => $by->id,
                'what' => mb_substr($do($locked).": {$reason}", 0, 255),
                'made_at' => now(),
            ]);
        }, 3);
    }
}
