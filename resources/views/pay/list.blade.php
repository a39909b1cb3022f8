@use('Elmstone\PayLinks\LinkPayment')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Paid by link')
@section('main')
<div class="page">
    <div class="page-head"><h1>Paid by link</h1><span class="soft">{{ $shop->links_on
        ? "papers and mails carry a link and a code; it holds {$shop->link_days} days"
        : 'papers carry no links' }}</span></div>
    @include('design.messages')
    <div class="split">
    <div>
        @if($payments->isEmpty())<p class="empty">Nothing came by a link yet. Statements, invoices on account, plan
            reminders and order confirmations carry one where it is switched on.</p>
        @else
        <table class="ruled"><thead><tr><th>When</th><th>Who</th><th>For</th><th class="figure">Amount</th><th
                class="nowrap">What came of it</th><th><span class="visually-hidden">What to do</span></th></tr></thead>
        @foreach($payments as $one)<tr @class(['fw-bold' => $one->state === LinkPayment::PAID
            && $one->seen_by === null])>
            <td class="nowrap">{{ Show::moment($one->begun_at) }}</td>
            <td><a href="{{ route('customers.show', $one->customer) }}">{{ $one->customer->name }}</a></td>
            <td>{{ $one->about }}</td><td class="figure">{{ $one->amount }}</td>
            <td>@if($one->document !== null)<a class="code"
                href="{{ route('documents.show', $one->document) }}">{{ $one->document->label }}</a>
                @elseif($one->state === LinkPayment::OPEN)<span class="ochre">not known yet</span>
                @else<span class="soft">nothing: {{ $one->reason }}</span>@endif</td>
            <td class="text-end">@if($one->state === LinkPayment::OPEN)<form method="post"
                action="{{ route('link-payments.ask', $one->id) }}">@csrf<button
                    class="quiet-act">Ask again</button></form>
                @elseif($one->state === LinkPayment::PAID && $one->seen_by === null)<form method="post"
                action="{{ route('link-payments.seen', $one->id) }}">@csrf<button class="link-act">Seen</button></form>
                @endif</td></tr>@endforeach</table>
        {{ $payments->links() }}
        @endif
    </div>
    @can('set-house-terms')<aside>
        <h2>How links are given</h2>
        <form method="post" action="{{ route('link-payments.terms') }}" class="stack" autocomplete="off">@csrf
            <label><input type="checkbox" class="form-check-input" name="links_on" value="1"
                @checked($shop->links_on)> Papers and mails carry a link to pay by</label>
            <label><input type="checkbox" class="form-check-input" name="links_may_less" value="1"
                @checked($shop->links_may_less)> Less than what is asked may be paid</label>
            <div><label class="small soft" for="link_days">They hold, days</label><input class="form-control figure-in
                @error('link_days') is-refused @enderror" id="link_days" name="link_days" inputmode="numeric"
                value="{{ old('link_days', $shop->link_days) }}">@include('design.complaint',
                    ['field' => 'link_days'])</div>
            <button class="quiet-act">Keep</button></form>
        <form method="post" action="{{ route('link-payments.void') }}" class="mt-3">@csrf<button
            class="link-act">Make all links void that were given out</button></form>
    </aside>@endcan
    </div>
</div>
@endsection
