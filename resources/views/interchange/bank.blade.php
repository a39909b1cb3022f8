@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Bank file')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('accounts') }}">Accounts</a></p>
    <div class="page-head"><h1>Payments from the bank</h1>
    <span class="soft">ISO 20022 camt.053, or the table (CSV) your bank gives</span></div>
    @include('design.messages')
    <form class="filters" method="post" enctype="multipart/form-data" action="{{ route('bank.take-in') }}">@csrf
        <div><label for="file">The bank’s file</label><input class="form-control" type="file" id="file" name="file"
            accept=".xml,.csv,text/xml,text/csv,application/xml"></div>
        <button class="main-act narrow">Take it in</button><span
            class="soft small align-self-center">nothing is posted by that; you look at it first</span>
    </form>
    @if($files->isEmpty())<p class="empty">No file yet.</p>@else
    <table class="ruled"><thead><tr><th>Taken in</th><th>File</th><th>Form</th><th>Account</th><th>Statement</th>
    <th class="figure">Entries</th><th class="figure">Open</th><th>By</th></tr></thead>
        @foreach($files as $file)<tr><td>
        <a href="{{ route('bank.file', $file->id) }}">{{ Show::moment($file->created_at) }}</a></td>
        <td>{{ $file->name }}</td><td>{{ $file->format }}</td><td class="code">{{ $file->account }}</td>
        <td>{{ $file->statement }}</td><td class="figure">{{ $file->entries_count }}</td><td class="figure">
        @if($file->isUnread())<span
            class="ochre">columns?</span>@else{{ $file->open_count === 0 ? '–' : $file->open_count }}@endif</td>
            <td>{{ $file->staff->name }}</td></tr>@endforeach
    </table>@endif
    @if($layouts->isNotEmpty())<h2 class="mt-4">Tables known by their columns</h2>
    <table class="ruled narrow-table">@foreach($layouts as $layout)<tr><td>{{ $layout->name }}</td><td class="text-end">
    <form method="post" action="{{ route('bank.forget', $layout->id) }}">@csrf<button class="link-act">forget</button>
    </form></td></tr>@endforeach</table>@endif
</div>
@endsection
