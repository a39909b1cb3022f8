@use('Elmstone\Books\HeldKind')
@use('Elmstone\Core\Money\Money')
@use('Elmstone\Core\Pricing\PriceRule')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', $document->label)
@section('main')
@php
    $isCredit = $document->kind->value === 'credit_note';
    $isGoods = $document->purpose->isGoodsOnly();
    $mayPrint = ! $isGoods || Gate::allows('see-margin');
    $signed = fn (Money $amount): string => Show::money($isCredit ? $amount->negated() : $amount);
@endphp
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('documents') }}">Documents</a> / {{ $document->label }}</p>
    <div class="page-head"><h1>{{ $document->title() }} <span class="code">{{ $document->label }}</span></h1>
        <div class="end">
            @if($document->kind->value === 'invoice' && $document->purpose->value === 'sale')@can('sell')
            <form method="post" action="{{ route('documents.bring-back', $document) }}">
            @csrf <button class="quiet-act">Bring goods back</button></form>@endcan
            @can('give-credit')<a class="quiet-act"
                href="{{ route('credit-notes.on-invoice', $document) }}">Credit without goods</a>@endcan @endif
            @if($mayPrint)<form method="post" action="{{ route('paper.print', $document) }}">
            @csrf <button
                class="quiet-act">{{ $document->lines->isEmpty() || $document->purpose->isGoodsOnly() ? 'Print again'
                    : 'Print receipt again' }}</button></form>
            <a class="quiet-act"
                href="{{ route('paper.invoice-pdf', $document) }}">{{ $document->lines->isEmpty() ? 'As PDF'
                    : "{$document->title()} as PDF" }}</a>@endif
            @if($document->lines->isNotEmpty())@unless($document->purpose->isGoodsOnly())<a class="quiet-act"
                href="{{ route('paper.receipt-pdf', $document) }}">Receipt as PDF</a>@endunless
            @if(in_array($document->kind->value, ['invoice', 'credit_note'], true))<a class="quiet-act"
                href="{{ route('documents.ubl', $document) }}">UBL</a>@endif @endif
        </div></div>
    @include('design.messages')
    <div class="split">
        <div>
            {!! $trail !!}
            @if($document->own_terms !== '')<div class="note look"><p>{{ $document->own_terms }}</p></div>@endif
            @if($document->purpose->isGoodsOnly())@include('books.goods')@else
            <table class="ruled">
                @if($document->lines->isEmpty())<tr>
                <td colspan="6">{{ $document->words() }}@if($document->note !== '') <span
                    class="soft">{{ $document->note }}</span>@endif</td></tr>@endif
                @if($document->lines->isNotEmpty())<thead><tr><th class="figure">Qty</th><th>Item</th>
                <th class="figure">Each</th><th class="figure">Off</th><th class="figure">Net</th>
                <th class="figure">Tax</th></tr></thead>@endif
                <tbody>
                @foreach($document->lines as $line)
                    <tr><td class="figure">{{ Show::decimal($line->quantity) }}</td>
                        <td>@if($isCredit){{ $line->direction === 'back' ? ''
                            : 'less: ' }}@endif{{ $line->description }} <span class="code soft">{{ $line->code }}</span>
                            @if($line->goods_to !== null)
                            <div class="small soft">{{ $line->goods_to->words() }}{{ $line->reason === null ? ''
                                : ', '.str_replace('_', ' ',
                                    $line->reason) }}{{ isset($origins[$line->origin_document_id]) ? ' · sold on '
                                        : '' }}@isset($origins[$line->origin_document_id])<a class="code"
                                            href="{{ route('documents.show',
                                                $origins[$line->origin_document_id]) }}">{{
                                                $origins[$line->origin_document_id] }}</a>@endisset</div>@endif
                            @if($line->price_per > 1 && $line->origin_document_id === null)
                            <div class="small soft">priced per {{ $line->price_per }}</div>@endif
                            @if($line->price_rule !== PriceRule::ListPrice && ! $isCredit)
                            <div class="small soft">{{ $line->price_rule->label() }}, list
                                {{ Show::price($line->list_price) }}</div>@endif
                            @if($line->note !== '')<div class="small soft">“{{ $line->note }}”</div>@endif
                            @if($line->serials !== null)
                            <div class="small soft">serial no. {{ implode(', ', $line->serials) }}</div>@endif</td>
                        <td class="figure">@if($line->origin_document_id === null)<x-price :of="$line->unit_price"/>
                            @endif</td>
                        <td class="figure">{{ $line->off()->isZero() ? '' : Show::money($line->off()) }}</td>
                        <td class="figure">{{ $line->net }}</td>
                        <td class="figure">{{ $line->tax_total }}</td></tr>
                @endforeach
                </tbody>
                <tfoot>
                    @if($document->lines->isNotEmpty())<tr><td colspan="4" class="figure soft">Goods</td>
                    <td class="figure" colspan="2">{{ $signed($document->subtotal) }}</td></tr>@endif
                    @foreach($document->coupons as $coupon)<tr>
                    <td colspan="4" class="figure soft">{{ $coupon->description }} <span
                        class="code">{{ $coupon->code }}</span></td>
                        <td class="figure" colspan="2">{{ $coupon->taken->negated() }}</td></tr>@endforeach
                    @if(! $document->slip_discount->isZero())<tr><td colspan="4" class="figure soft">Discount</td>
                    <td class="figure" colspan="2">{{ $document->slip_discount->negated() }}</td></tr>@endif
                    @foreach($document->taxes as $tax)<tr>
                    <td colspan="4"
                        class="figure soft">{{ $document->tax_included ? 'incl. '
                            : '' }}{{ $tax->name }} {{ Show::price($tax->rate) }} % of {{ $signed($tax->base) }}</td>
                            <td class="figure" colspan="2">{{ $signed($tax->amount) }}</td></tr>@endforeach
                    <tr class="total">
                    <td colspan="4" class="figure">{{ $isCredit ? 'Credit' : 'Total' }} {{ $document->currency }}</td>
                    <td class="figure" colspan="2">{{ $signed($document->total) }}</td></tr>
                    @foreach($document->tenders as $tender)<tr>
                    <td colspan="4"
                        class="figure soft">{{ $isCredit ? $tender->wordsBack()
                            : $tender->words() }}{{ $tender->given->exceeds($tender->amount)
                                ? ', given '.Show::money($tender->given) : '' }}</td>
                                <td class="figure" colspan="2">{{ $tender->amount }}</td></tr>@endforeach
                    @if(! $document->cash_rounding->isZero())<tr><td colspan="4" class="figure soft">Cash rounding</td>
                    <td class="figure" colspan="2">{{ $document->cash_rounding }}</td></tr>@endif
                    @if(! $document->change_given->isZero())<tr><td colspan="4" class="figure soft">Change</td>
                    <td class="figure" colspan="2">{{ $document->change_given }}</td></tr>@endif
                    @if(! $document->settlement_discount->isZero())<tr>
                    <td colspan="4" class="figure soft">Settlement discount</td>
                    <td class="figure" colspan="2">{{ $document->settlement_discount }}</td></tr>@endif
                    @if(! $document->fee->isZero())<tr><td colspan="4" class="figure soft">Fee in it</td>
                    <td class="figure" colspan="2">{{ $document->fee }}</td></tr>@endif
                    @if($document->balance_before !== null)<tr><td colspan="4" class="figure soft">Balance before</td>
                    <td class="figure" colspan="2">{{ $document->balance_before }}</td></tr><tr>
                    <td colspan="4" class="figure soft">Balance after</td>
                    <td class="figure" colspan="2">{{ $document->balanceAfter() }}</td></tr>@endif
                </tfoot>
            </table>
            <x-cards-of :$document/>
            @endif
            @can('see-journal')
                <h2 class="mt-4">Journal</h2>
                <table class="ruled">
                    <thead><tr><th>Account</th><th class="figure">Debit</th><th class="figure">Credit</th></tr></thead>
                    <tbody>
                    @foreach(Elmstone\Books\JournalRow::inNaturalOrder($document->journal) as $row)<tr>
                    <td>{{ $row->named->name }}</td>
                    <td class="figure">{{ $row->debit->isZero() ? '' : Show::money($row->debit) }}</td>
                    <td class="figure">{{ $row->credit->isZero() ? '' : $row->credit }}</td></tr>@endforeach
                    </tbody>
                    <tfoot><tr class="total"><td></td>
                    <td class="figure">{{ Money::sum($document->journal->pluck('debit'), $document->currency()) }}</td>
                    <td class="figure">{{ Money::sum($document->journal->pluck('credit'), $document->currency()) }}</td>
                    </tr></tfoot>
                </table>
            @endcan
        </div>
        <aside>
            <x-attached of="document" :id="$document->id"/>
            <x-signature-of :$document/>
            <dl class="facts mb-3">
                <dt>Date</dt><dd>{{ Show::date($document->business_date) }}</dd>
                <dt>Posted</dt><dd>{{ Show::moment($document->posted_at) }}</dd>
                @unless($isGoods)<dt>Customer</dt><dd>
                @if($customer !== null)<a
                    href="{{ route('customers.show',
                        $customer->number) }}">{{ $document->customer_name }}</a>@else{{
                        $document->customer_name ?: 'Walk-in' }}@endif</dd>@endunless
                @foreach(['Buyer' => $document->buyer, 'Purchase order' => $document->purchase_order,
                    'Job' => $document->job, 'Terms' => $document->terms, 'Due' => $document->due_date === null ? ''
                        : Show::date($document->due_date), 'Exempt by' => $exempted->certificate
                            ?? '', 'Note' => $document->note] as $name => $text)@if($text !== '')<dt>{{ $name }}</dt>
                            <dd>{{ $text }}</dd>@endif @endforeach
                @if($approval !== null)<dt>Approved</dt>
                <dd>{{ $approval->approver->name }}: {{ $approval->reason }}</dd>@endif
                <dt>Clerk</dt><dd>{{ $document->staff->name }}</dd>
                @php($soldBy = Elmstone\Shares\SoldBy::words($document))
                @if($soldBy !== '')<dt>Sale of</dt><dd>{{ $soldBy }}</dd>@endif
                <dt>At</dt><dd>{{ $document->location->name }}, {{ $document->till->name }}</dd>
            </dl>
            @if($document->isBackdated())<div class="note look"><p>Dated another day than it was posted on.</p></div>
            @endif
            @if($returned !== [])<div class="note">
            <p>Came back of it: @foreach($returned as $label => $amount)<a class="code"
                href="{{ route('documents.show', $label) }}">{{ $label }}</a> {{ $amount }}{{ $loop->last ? ''
                    : ', ' }}@endforeach</p></div>@endif
            @if($customer !== null && ! $document->held(HeldKind::StoreCredit)->isZero())<p>
            <a href="{{ route('store-credit.show', $customer->number) }}">Their store credit</a></p>@endif
            @if($document->purpose === Elmstone\Books\Purpose::ByHand && $document->refers_to_id === null)
            @can('post-entries')
                <details class="mb-3"><summary>Take this entry back</summary>
                    <form method="post" action="{{ route('ledger.entry.back', $document) }}" class="mt-2 stack">
                    @csrf<input type="hidden" name="key" value="{{ $key }}">
                        <div><label class="small soft" for="back-reason">Why</label><input class="form-control"
                            id="back-reason" name="reason" maxlength="180" autocomplete="off"></div>
                        <x-approval when="Another person allows it:"/>
                        <button class="quiet-act">Take it back</button></form></details>
            @endcan @endif
            @if($canBeVoided)
                <details class="mb-3"><summary>Posted by mistake: void it</summary>
                    <form method="post" action="{{ route('documents.void', $document) }}" class="mt-2 stack">
                    @csrf<input type="hidden" name="act" value="{{ $key }}">
                        <p class="small soft mb-0">
                        It is credited whole, the money goes back by the ways it came, and the lines stand on a fresh
                            slip.</p>
                        <div class="row g-2"><div class="col-6">
                        <label class="small soft" for="approver">Approver’s staff number</label><input
                            class="form-control" id="approver" name="approver" inputmode="numeric" autocomplete="off">
                            </div><div class="col-6">
                            <label class="small soft" for="approver_pin">PIN</label><input class="form-control"
                                id="approver_pin" name="approver_pin" type="password" inputmode="numeric"
                                    autocomplete="off"></div></div>
                        <div><label class="small soft" for="approver_reason">What was wrong</label><input
                            class="form-control" id="approver_reason" name="approver_reason" maxlength="255"
                                autocomplete="off"></div>
                        <button class="quiet-act">Void the sale</button></form></details>
            @endif
            @foreach($layaways as $label)<p><a href="{{ route('layaways.show', $label) }}">Layaway {{ $label }}</a></p>
            @endforeach
            @if($customer !== null && ! $document->held(HeldKind::Deposit)->isZero())<p>
            <a href="{{ route('deposits.show', $customer->number) }}">Their deposits</a></p>@endif
            @if($plan !== null)<p><a href="{{ route('plans.show', $plan) }}">Payment plan {{ $plan }}</a></p>
            @elseif($canBePlanned)@can('make-plans')<p>
            <a class="quiet-act" href="{{ route('plans.create', $document) }}">Pay in parts</a></p>@endcan @endif
            @if($customer !== null && ! $document->on_account->isZero())
                <p><a href="{{ route('accounts.show', $customer->number) }}">Their account</a>
                @can('take-payments')@if($document->on_account->isNegative()) · <a
                    href="{{ route('accounts.spread',
                        [$customer->number, $document]) }}">Move this payment</a>@endif @endcan</p>
            @endif
            @can('take-payments')@if($canComeBack)
                <details class="mb-3" @if(old('form') === 'returned') open @endif>
                <summary>The bank took it back</summary>
                    <form method="post" action="{{ route('documents.returned', $document) }}" class="mt-2 stack">
                    @csrf <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="form"
                        value="returned">
                        <p class="small soft mb-0">
                        What it paid is owed again: on their account, or as a claim where they have none.</p>
                        @php($kinds = $document->tenders->pluck('kind')->unique()->filter(fn ($kind) =>
                            in_array($kind->value, ['cheque', 'bank_transfer', 'card'], true)))
                        @if($kinds->count() > 1)<div><label class="small soft" for="which">What came back</label>
                        <select class="form-select" id="which" name="which">@foreach($kinds as $kind)
                        <option value="{{ $kind->value }}"
                            @selected(old('which') === $kind->value)>{{ $kind->label() }}</option>@endforeach</select>
                            </div>@endif
                        @if($customer === null)<div>
                        <label class="small soft"
                            for="owes">Who owes it: number, or the name on the cheque</label><input
                                class="form-control" id="owes" name="owes" maxlength="120" value="{{ old('owes') }}">
                                </div>@endif
                        <div class="row g-2"><div class="col-4">
                        <label class="small soft" for="fee">Fee</label><input class="form-control text-end" id="fee"
                            name="fee" inputmode="decimal" value="{{ old('fee', $fee) }}"></div><div class="col-8">
                            <label class="small soft" for="bounce-reason">Reason</label><input class="form-control"
                                id="bounce-reason" name="reason" maxlength="255"
                                    value="{{ old('form') === 'returned' ? old('reason') : '' }}"></div></div>
                        <button class="quiet-act">Take it back</button></form></details>
            @endif @endcan
            @if($canBeReversed)
                <details class="mb-3" @if(old('form') === 'reverse') open @endif>
                <summary>Taken in by mistake: take the receipt back</summary>
                    <form method="post" action="{{ route('documents.reverse', $document) }}" class="mt-2 stack">
                    @csrf <input type="hidden" name="form" value="reverse">
                        <p class="small soft mb-0">
                        Today only, and whole: the money goes back as it came, and what it paid for is as if it had not
                            been.</p>
                        <div><label class="small soft" for="reverse-reason">What was wrong</label><input
                            class="form-control" id="reverse-reason" name="reason" maxlength="255"
                                value="{{ old('form') === 'reverse' ? old('reason') : '' }}"></div>
                        <x-approval id="rv" when="Another person allows it:"/>
                        <button class="quiet-act">Take the receipt back</button></form></details>
            @endif
            @can('take-payments')@if($canBeUndone)
                <details class="mb-3" @if(old('form') === 'undo') open @endif>
                <summary>It never came: posted in error</summary>
                    <form method="post" action="{{ route('documents.undo', $document) }}" class="mt-2 stack">
                    @csrf <input type="hidden" name="form" value="undo">
                        <p class="small soft mb-0">
                        What it paid is owed again, and no money moves: cash and cheques that never came were missing
                            when the drawer was counted. If it came from somebody else, move it to their account
                                instead.</p>
                        <div><label class="small soft" for="undo-reason">What was wrong</label><input
                            class="form-control" id="undo-reason" name="reason" maxlength="255"
                                value="{{ old('form') === 'undo' ? old('reason') : '' }}"></div>
                        <x-approval id="ud" when="Another person allows it:"/>
                        <button class="quiet-act">It never came</button></form></details>
            @endif @endcan
            @unless($isGoods)
            <form class="d-flex gap-2 mb-3" method="post" action="{{ route('paper.mail', $document) }}">@csrf
                <input class="form-control" name="mail_to" inputmode="email" placeholder="mail address"
                    aria-label="Mail address" value="{{ old('mail_to') }}"><button
                        class="quiet-act text-nowrap">Mail it</button></form>@endunless
            @if($mayPrint)
            <h2>{{ $document->lines->isEmpty() ? 'The paper' : ($isGoods ? 'The paper' : 'Receipt') }}</h2>
            <iframe class="paper-frame" src="{{ route('paper.receipt', $document) }}"
                title="Receipt {{ $document->label }}"></iframe>@endif
        </aside>
    </div>
</div>
@endsection
