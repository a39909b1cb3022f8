<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\EntryText;
use Elmstone\Counter\Settle\ApproveNeeds;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Returns\ReturnReason;

/** Changes what comes back on a slip: how many, where it goes, why, its serial numbers, its fee; or takes it off. */
final class ChangeReturn
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly ReturnRows $rows,
        private readonly ApproveNeeds $approve,
    ) {
    }

    /**
     * @param  array{quantity?: string, goods_to?: string, reason?: string, serials?: string}  $typed
     *
     * @throws Refused bad_quantity, more_than_left, bad_serial
     */
    public function change(string $slipKey, Act $act, int $line, array $typed): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($line, $typed): void {
            $row = ReturnOnSlip::query()->where('slip_id', $slip->id)->findOrFail($line);
            isset($typed['quantity']) && ReturnRows::assertNoCardPaid($slip);
            $reason = ReturnReason::tryFrom($typed['reason'] ?? '');
            $reason === null || $reason === $row->reason || in_array($reason, ReturnReason::forGoods(), true)
                || throw Refused::because('not_offered', 'Choose a reason for goods that come back.');
            $row->update(
                array_filter(
                    [
                        'quantity' => isset($typed['quantity'])
                            ? EntryText::quantity($typed['quantity'])->toString()
                            : null,
                        'goods_to' => ReturnRows::goodsTo($typed['goods_to'] ?? ''),
                        'reason' => $reason,
                        'serials' => isset($typed['serials']) ? Serials::read($typed['serials']) : null,
                    ],
                    static fn (mixed $value): bool => $value !== null,
                ),
            );

            if (isset($typed['quantity'])) {
                $this->rows->assertFits($slip, $row);
            }

            isset($typed['quantity']) && $this->rows->changed($slip);
        });
    }

    public function remove(string $slipKey, Act $act, int $line): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($line): void {
            ReturnRows::assertNoCardPaid($slip);
            ReturnOnSlip::query()->where('slip_id', $slip->id)->whereKey($line)->delete();
            $this->rows->changed($slip);
        });
    }

    /** That the restocking fee of a line is let off, which somebody else has to allow; or that it is kept after all. */
    public function waive(string $slipKey, Act $act, int $line, bool $waives): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $line, $waives): void {
            ReturnOnSlip::query()
                ->where('slip_id', $slip->id)
                ->findOrFail($line)
                ->update(['fee_waived' => $waives]);
            $this->rows->changed($slip);
            $waives && $this->approve->within($slip, $act, "back.{$line}.fee");
        });
    }
}
