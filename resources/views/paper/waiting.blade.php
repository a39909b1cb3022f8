@use('Elmstone\Support\ShopTime')
@extends('layout')
@section('title', 'Waiting papers')
@section('main')
<div class="page">
    <div class="page-head"><div><h1>Waiting at {{ $till->name }}</h1>
    <p class="soft mb-0">What is posted is posted. These papers did not go yet and are tried again by themselves.</p>
    </div><div class="end"><a class="quiet-act" href="{{ route('till.devices') }}">Use another printer</a></div></div>
    @include('design.messages')
    @if($waiting->isEmpty())<p class="empty">Nothing waits.</p>@else
    <table class="ruled"><thead><tr><th>Since</th><th>For</th><th>What</th><th>By</th><th>Why it did not go</th><th>
    </th></tr></thead>
        @foreach($waiting as $one)
            <tr><td class="text-nowrap">{{ ShopTime::at($one->made_at)->format('j M H:i') }}</td>
                <td>@if($one->document !== null)<a class="code"
                    href="{{ route('documents.show', $one->document) }}">{{ $one->document->label }}</a>@endif</td>
                <td>{{ match($one->what) { 'mail' => 'mail to '.$one->text('to'), 'print' => 'paper, asked for again',
                    default => 'paper' } }}</td><td>{{ $one->staff->name }}</td>
                <td>{{ $one->trouble === '' ? 'not tried yet' : $one->trouble }} <span
                    class="soft small">{{ $one->tries > 1 ? "{$one->tries} tries" : '' }}</span></td>
                <td class="text-nowrap">
                @if($one->state === 'refused')<b class="brick">not tried again</b>@else<form class="d-inline"
                    method="post" action="{{ route('waiting.again', $one->id) }}">
                @csrf<button class="quiet-act">Try now</button>
                </form>@endif <form class="d-inline" method="post" action="{{ route('waiting.leave', $one->id) }}">
                @csrf<button class="link-act">leave it</button></form></td></tr>
        @endforeach
    </table>@endif
</div>
@endsection
