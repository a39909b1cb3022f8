@extends('layout')
@section('title', $section->title())
@section('main')
<div class="page">
    <div class="page-head"><div><h1>{{ $section->title() }}</h1>
        <p class="soft mb-0">{{ $section->purpose() }}</p></div>
        <div class="end"><a href="{{ route('settings') }}">All settings</a></div></div>
    @include('design.messages')
    <form method="post" action="{{ route('settings.keep', $section->key()) }}" enctype="multipart/form-data"
        autocomplete="off" class="sheet-form">@csrf
        @include($section->view())
        <button class="quiet-act mt-3">Keep</button>
    </form>
    @includeIf("setup.beside.{$section->key()}")
</div>
@endsection
