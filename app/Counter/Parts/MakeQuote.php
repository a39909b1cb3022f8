<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\SlipPromise;
use Elmstone\Orders\OrderSource;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\OrderWay;
use Elmstone\Shop\House;

/** Makes the slip one that becomes a quote: until when its prices hold, when somebody asks after it. */
final class MakeQuote
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly House $house,
        private readonly OrderTerms $terms,
    ) {
    }

    /** @throws Refused empty */
    public function begin(string $slipKey, Act $act): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip): void {
            $slip->lines()->exists()
                || throw Refused::because('empty', 'There is nothing on this slip to offer.');
            $slip->lines()->whereNull('department_id')->delete();
            $this->place($slip);
        });
    }

    /** Within a change of the slip. */
    public function place(Slip $slip): void
    {
        $slip->turnInto(Becomes::Quote);
        $slip->forceFill(['charge' => null]);
        SlipPromise::query()->whereKey($slip->id)->delete();
        SlipPromise::query()->create([
            'slip_id' => $slip->id,
            'source' => OrderSource::Counter,
            'way' => OrderWay::Collect,
            'from_id' => null,
            'is_charged' => false,
            'wanted_on' => null,
            'wanted_when' => '',
            'deliver_to' => '',
            'note' => '',
            'deposit' => $this->house->money(0),
            'valid_until' => $slip->day()->addDays($this->terms->quoteDays()),
            'follow_up_on' => $slip->day()->addDays(min(7, $this->terms->quoteDays())),
            'party' => '',
            'signature' => null,
            'signed_by' => '',
            'signed_for' => '',
        ]);
        $slip->save();
    }

    public function drop(string $slipKey, Act $act): Slip
    {
        return $this->desk->change($slipKey, $act, static fn (Slip $slip) => $slip->turnInto(Becomes::Sale));
    }

    /**
     * @param  array<string, string>  $typed as on the page, what was changed
     *
     * @throws Refused bad_date, not_held
     */
    public function terms(string $slipKey, Act $act, array $typed): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($typed): void {
            $promise = ($slip->becomes === Becomes::Quote ? SlipPromise::query()->find($slip->id) : null)
                ?? throw Refused::because('not_held', 'This slip is not to become a quote any more.');
            $columns = [];

            foreach ($typed as $name => $text) {
                $columns += match ($name) {
                    'valid_until' => ['valid_until' => self::day(trim($text))
                        ?? throw Refused::because('bad_date', 'Type the day its prices hold until.')],
                    'follow_up_on' => ['follow_up_on' => self::day(trim($text))],
                    'party' => ['party' => mb_substr(trim($text), 0, 120)],
                    'note' => ['note' => mb_substr(trim($text), 0, 255)],
                    default => [],
                };
            }

            $promise->fill($columns)->save();
        });
    }

    private static function day(string $text): ?CarbonImmutable
    {
        return $text === '' ? null : HoldTerms::date($text);
    }
}
