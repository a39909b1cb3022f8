@use('Elmstone\Support\ShopTime')
@use('Elmstone\Support\Show')
@use('Elmstone\Receivables\Payments\MeetingLines')
@use('Elmstone\Receivables\Payments\PaymentForm')
@php($spread = $page->spread)
<form id="payment-work" data-part data-live="{{ $draw }}" data-posts="{{ $action }}" class="payment-work"
    autocomplete="off" x-data="payment" @input="typed" @click="press" @submit.prevent="post" @keydown.document="key">
    <input type="hidden" name="key" value="{{ $form->key }}"><input type="hidden" name="spread"
        value="{{ $form->spread }}">
    <div class="meet">
        <div class="pay-card">
            @if($credit === null)
                <div class="d-flex gap-2 mb-2">
                    <select class="form-select" id="kind" name="kind" aria-label="Way of paying">
                    @foreach(PaymentForm::KINDS as $kind)
                    <option value="{{ $kind->value }}" @selected($form->kind === $kind)>{{ $kind->label() }}</option>
                    @endforeach</select>
                    <input class="form-control" id="reference" name="reference" maxlength="60" placeholder="number"
                        aria-label="Cheque number or reference" value="{{ $form->reference }}">
                </div>
                @if($form->complaint('kind') !== '')<p class="complaint"
                    role="alert">{{ $form->complaint('kind') }}</p>@endif
                <label for="amount" class="small soft">Amount, {{ $house->currency()->code }}</label>
                <input class="form-control pay-amount {{ $form->complaint('amount') !== '' ? 'is-refused' : '' }}"
                    id="amount" name="amount" inputmode="decimal" placeholder="0.00" value="{{ $form->amountTyped }}"
                    autofocus>
                @if($form->complaint('amount') !== '')<p class="complaint"
                    role="alert">{{ $form->complaint('amount') }}</p>@endif
                <label for="day" class="small soft mt-2">Dated</label>
                <input class="form-control" type="date" id="day" name="day" value="{{ $form->day->format('Y-m-d') }}"
                    max="{{ ShopTime::today()->format('Y-m-d') }}">
                @if($form->complaint('day') !== '')<p class="complaint"
                    role="alert">{{ $form->complaint('day') }}</p>@endif
                @unless(ShopTime::isToday($form->day))<p class="small ochre mb-0">not today</p>@endunless
            @else
                <p class="soft mb-1">{{ $credit->document->title() }} {{ $credit->label }}</p>
                <p class="pay-amount fixed mb-0">{{ $page->amount }}</p>
                <p class="soft small">{{ $house->currency()->code }}</p>
                @if($moves)
                    <label for="reason" class="small soft">Why, where something is moved</label>
                    <input class="form-control" id="reason" name="reason" maxlength="255" value="{{ $form->reason }}">
                @endif
            @endif
            <table class="pay-sums">
                <tr><td>on invoices</td>
                <td class="figure fw-bold">{{ $page->amount->minus($spread->unused) }}</td></tr>
                @if($spread->discount()->isPositive())<tr><td>discount given</td>
                <td class="figure fw-bold">{{ $spread->discount() }}</td></tr>@endif
                @if($credit === null && ($spread->discount()->isPositive() || $form->leavesDiscount))<tr>
                <td colspan="2">
                <label class="small"><input class="form-check-input" type="checkbox" id="leave_discount"
                    name="leave_discount" value="1"
                        @checked($form->leavesDiscount)> they paid in full: give no discount</label></td></tr>@endif
                <tr><td>stays as credit</td><td class="figure fw-bold">{{ $spread->unused }}</td></tr>
                <tr><td>late after this</td><td class="figure fw-bold">{{ $page->lateAfter() }}</td></tr>
            </table>
        </div>
        <div class="bands">{!! MeetingLines::svg($page) !!}</div>
        <div class="meet-items">
            @if($page->named !== [] && $form->spread !== 'named')
                <div class="note look">
                <p>The reference names <strong>{{ implode(', ', $page->named) }}</strong>: {{ count($page->named) === 1
                    ? 'it comes' : 'they come' }} to {{ $page->namedTotal() }}. <button type="button"
                        class="link-act"
                            data-spread="named">Put it on {{ count($page->named) === 1 ? 'this one'
                                : 'these' }}</button></p></div>
            @endif
            <table class="ruled fixed-rows">
                <thead><tr><th>Open item</th><th>Dated</th><th>Due</th><th class="figure">Open</th>
                <th class="figure">{{ $credit === null ? 'This payment' : 'On it' }}</th><td></td></tr></thead>
                <tbody>
                @php($values = $page->items->values())
                @forelse($page->items->records as $i => $item)
                    @php($value = $values[$i])
                    @php($share = $spread->on($item->label))
                    @php($late = $value->daysLate($form->day))
                    <tr><td><a class="code"
                        href="{{ route('documents.show', $item->label) }}">{{ $item->label }}</a></td>
                        <td class="soft">{{ $item->business_date->format('j M') }}</td>
                        <td>{{ $item->due_date->format($item->due_date->isSameYear(ShopTime::today()) ? 'j M'
                            : 'j M Y') }} @if($late > 0)<span
                                class="small brick">{{ $late }} {{ $late === 1 ? 'day'
                                    : 'days' }} late</span>@elseif($item->due_date->isSameDay($form->day))<span
                                        class="small ochre">due today</span>@endif
                            @if($value->discount->isPositive())<span
                                class="small ochre">{{ Show::decimal($item->discount_percent) }} % off until
                                    {{ $item->discount_until->format('j M') }}:
                                        {{ $value->discount }}</span>@endif</td>
                        <td class="figure">{{ $value->open }}</td>
                        <td><input class="form-control text-end part" id="on-{{ $item->label }}"
                            name="on[{{ $item->label }}]" inputmode="decimal" placeholder="–"
                                aria-label="On {{ $item->label }}"
                                    value="{{ $page->complaint !== '' && $form->spread === 'hand'
                                        ? ($form->typed[$item->label] ?? '')
                                            : ($share === null ? '' : $share->amount->toString()) }}"></td>
                        <td class="small text-nowrap">
                        @if($share === null)<span
                            class="soft">stays open</span>@elseif($share->settles()->equals($value->open))<span
                                class="verdigris fw-bold">paid{{ $share->discount->isPositive()
                                    ? ', less '.Show::money($share->discount) : '' }}</span>@else<span
                                        class="ochre">{{
                                            Show::money($value->open->minus($share->settles())) }} left</span>@endif
                    </td></tr>
                @empty
                    <tr><td colspan="6"
                        class="empty">Nothing is open. What comes in stays as unused credit and is offered next time.
                        </td></tr>
                @endforelse
                </tbody>
            </table>
            @if($page->complaint !== '')<p class="complaint" role="alert">{{ $page->complaint }}</p>@endif
        </div>
    </div>
    @if($refused !== null)
        <div class="note stop mt-2" role="alert"><p>{{ $refused->getMessage() }}
            @if($refused->rule === 'posted_before')<label class="d-inline-flex gap-2 align-items-center ms-2"><input
                class="form-check-input m-0" type="checkbox" name="sure" value="1"> It is another one</label>@endif
            @if($refused->rule === 'way_refused')@can('manage-accounts')<label class="d-inline-flex gap-2
                align-items-center ms-2"><input class="form-check-input m-0" type="checkbox" name="all_the_same"
                    value="1"> Take it all the same</label>@endcan @endif</p></div>
    @endif
    <div class="spread-bar">
        <span class="soft">Spread:</span>
        <button type="button" class="choice" data-spread="oldest"
            aria-pressed="{{ $form->spread === 'oldest' ? 'true'
                : 'false' }}">oldest due first <kbd>Alt G</kbd></button>
        @if($page->amount->isPositive())
            @forelse($page->suggestion->matches as $n => $match)
                <button type="button" class="choice" data-spread="set-{{ $n + 1 }}"
                    aria-pressed="{{ $form->spread === 'set-'.($n + 1) ? 'true' : 'false' }}"
                        title="{{ implode(', ', $match) }}">{{ $n === 0 ? 'exactly ' : 'or ' }}{{ count($match) > 3
                            ? count($match).' items'
                                : implode(' + ', $match) }}@if($n === 0) <kbd>Alt Q</kbd>@endif</button>
            @empty
                <span class="soft">exact sets that sum to {{ $page->amount }}:
                    {{ $page->suggestion->gaveUp ? 'too many ways to look at all' : 'none' }}</span>
            @endforelse
            @if($page->suggestion->more)<span
                class="soft">and others</span>@elseif($page->suggestion->gaveUp
                    && $page->suggestion->matches !== [])<span class="soft">perhaps others</span>@endif
        @endif
        <button type="button" class="choice" data-spread="hand"
            aria-pressed="{{ $form->spread === 'hand' ? 'true' : 'false' }}">by hand</button>
        <button type="submit" class="main-act narrow ms-auto"
            id="post-payment"><span>{{ $credit === null ? 'Post payment'
                : ($moves ? 'Set it so' : 'Use the credit') }}</span><kbd>Ctrl ↵</kbd></button>
    </div>
</form>
