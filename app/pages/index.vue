<template><h1>Bench</h1></template>
