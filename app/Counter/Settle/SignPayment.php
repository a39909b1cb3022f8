<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\SlipSignature;
use Elmstone\Devices\CustomerDisplay;
use Elmstone\Shop\House;
use Elmstone\Support\Show;
use Elmstone\Support\Signature;

/** The payer signs: on the screen, on the display that faces them, or on the paper. */
final readonly class SignPayment
{
    public function __construct(private SlipDesk $desk, private House $house, private CustomerDisplay $display)
    {
    }

    /**
     * @param  string  $path strokes of the pen; empty: what was signed is taken away
     *
     * @throws Refused bad_signature, nothing_to_sign
     */
    public function here(string $slipKey, Act $act, string $path, string $by): Slip
    {
        Signature::assertPath($path);

        return $this->kept($slipKey, $act, $path, $by);
    }

    /** They sign the paper when it is printed. */
    public function onPaper(string $slipKey, Act $act, string $by): Slip
    {
        return $this->kept($slipKey, $act, null, $by);
    }

    /** Asks for it on the display that faces them. Nothing of the slip changes. */
    public function askDisplay(string $slipKey, Act $act): Slip
    {
        $slip = $this->desk->read($slipKey, $act);
        $this->display->askSignature($act->till, $slipKey, Show::money($this->amount($slip)));

        return $slip;
    }

    /** What was signed there since it was asked for; null: nothing yet. */
    public function onDisplay(string $slipKey, Act $act): ?string
    {
        return $this->display->signature($act->till, $slipKey);
    }

    /**
     * Takes over what was signed on the display.
     *
     * @throws Refused not_signed, bad_signature, nothing_to_sign
     */
    public function fromDisplay(string $slipKey, Act $act, string $by): Slip
    {
        $path = $this->display->signature($act->till, $slipKey) ?? throw Refused::because(
            'not_signed',
            'Nothing was signed on their side yet.',
        );
        Signature::assertPath($path);
        $slip = $this->kept($slipKey, $act, $path, $by);
        $this->display->signatureTaken($act->till);

        return $slip;
    }

    private function kept(string $slipKey, Act $act, ?string $path, string $by): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $path, $by): void {
            $this->desk->redraw($slip, $act);

            if ($path === '') {
                SlipSignature::query()->whereKey($slip->id)->delete();

                return;
            }

            SlipSignature::query()->updateOrCreate(['slip_id' => $slip->id], [
                'amount' => $this->amount($slip),
                'signature' => $path,
                'signed_by' => mb_substr(trim($by) !== '' ? trim($by) : $slip->customer_name, 0, 120),
                'signed_at' => now(),
            ]);
        });
    }

    /** @throws Refused nothing_to_sign */
    private function amount(Slip $slip): Money
    {
        return PayerSigns::of($slip, ReckonedCounter::of($slip, $this->house), $this->house)->amount
            ?? throw Refused::because('nothing_to_sign', 'There is nothing to sign for on this slip.');
    }
}
