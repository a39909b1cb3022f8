<?php

declare(strict_types=1);

namespace Elmstone\Reminders;

use Carbon\CarbonImmutable;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Paper\OffersLinks;
use Elmstone\Paper\Payable;
use Elmstone\Paper\Pdf;
use Elmstone\Plans\PlanPart;
use Elmstone\Shop\House;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * Sends what is due to be sent, each once: that it is sent is written down in the same transaction, and two who send at
 * once send it once.
 */
final class SendReminders
{
    public function __construct(
        private readonly DueReminders $due,
        private readonly Mailbox $mailbox,
        private readonly Pdf $pdf,
        private readonly House $house,
        private readonly OffersLinks $links,
    ) {
    }

    /** @return array{sent: int, unreachable: int} how many went out, and how many have no mail address */
    public function handle(CarbonImmutable $day): array
    {
        $sent = 0;
        $reminders = $this->due->on($day);
        $reachable = array_filter($reminders, static fn (Reminder $reminder): bool => $reminder->mail !== '');

        foreach ($reachable as $reminder) {
            $sent += $this->send($reminder, $day) ? 1 : 0;
        }

        return ['sent' => $sent, 'unreachable' => count($reminders) - count($reachable)];
    }

    private function send(Reminder $reminder, CarbonImmutable $day): bool
    {
        return DB::transaction(function () use ($reminder, $day): bool {
            if (! $this->note($reminder, $reminder->mail, $day)) {
                return false;
            }

            $this->mailbox->deliver(
                new Mail(
                    $reminder->mail,
                    "{$reminder->label}: ".Show::money($reminder->open)." {$reminder->when()}",
                    $this->words($reminder),
                    "{$reminder->label}-reminder.pdf",
                    $this->paper($reminder),
                    $reminder->customerId,
                ),
            );

            return true;
        });
    }

    /**
     * Writes down that somebody was reminded; by hand, where there is no mail address.
     *
     * @return bool whether it was not written down before
     */
    public function note(Reminder $reminder, string $mailTo, CarbonImmutable $day): bool
    {
        return DB::table('reminders')->insertOrIgnore([
            'about' => $reminder->about->value,
            'about_id' => $reminder->id,
            'due' => $reminder->due->format('Y-m-d'),
            'days' => $reminder->days,
            'mail_to' => $mailTo,
            'sent_on' => $day->format('Y-m-d'),
        ]) === 1;
    }

    public function paper(Reminder $reminder): string
    {
        return $this->pdf->a4(
            view('reminders.paper', [
                'pdf' => true,
                'reminder' => $reminder,
                'shop' => $this->house->shop(),
                'words' => $this->words($reminder),
                'link' => $this->link($reminder),
            ])->render(),
        );
    }

    public function words(Reminder $reminder): string
    {
        $amount = Show::money($reminder->open).' '.$this->house->currency()->code;
        $date = Show::date($reminder->due);
        $place = $this->house->shop()->name;
        $matter = match ($reminder->about) {
            About::Expiry => "Your layaway {$reminder->label} at {$place} is set aside until {$date}; {$amount} is "
                .'left to '
                .'pay. If you need longer, call us before then.',
            About::Layaway => $reminder->late > 0
                ? "The payment of {$amount} on your layaway {$reminder->label} at {$place} was due on {$date}. We keep "
                    .'the goods for you; please come by or call us.'
                : "The next payment of {$amount} on your layaway {$reminder->label} at {$place} is due on {$date}.",
            About::Plan => $reminder->late > 0
                ? "The part of {$amount} of your payment plan {$reminder->label} at {$place} was due on {$date}. If "
                    .'it is '
                    .'on its way, thank you; if something is in the way, call us.'
                : "The next part of {$amount} of your payment plan {$reminder->label} at {$place} is due on {$date}.",
        };

        $link = $this->link($reminder);
        $pay = $link === '' ? '' : "You can pay it by card here: {$link}\n\n";

        return "Dear {$reminder->customer},\n\n{$matter}\n\n{$pay}{$place}";
    }

    /** Where the part of a plan can be paid; empty: nowhere. */
    public function link(Reminder $reminder): string
    {
        $part = $reminder->about === About::Plan
            ? PlanPart::query()->where('plan_id', $reminder->id)->where('due', $reminder->due->format('Y-m-d'))->first()
            : null;

        return $part === null ? ''
            : $this->links->address(Payable::PlanPart, $part->document_id, $reminder->open, $reminder->due);
    }
}
